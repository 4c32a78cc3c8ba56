/** Thrown for a database that a newer version of this program has changed: what it means is not known here. */
export class NewerDatabase extends Error {
  constructor(
    /** The first step of its schema that is not known here. */
    readonly step: string,
  ) {
    super(`The database was made by a newer Warm Jar: it knows "${step}".`);
    this.name = 'NewerDatabase';
  }
}

/** Thrown for a file that is a database, but not one that this program made. */
export class DatabaseDamaged extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'DatabaseDamaged';
  }
}
