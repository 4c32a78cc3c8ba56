/** The machine's zone under each `TZ` that was met: to ask for it takes longer than all else that a list's key needs. */
const known = new Map<string | undefined, string>();

/** The time zone that the studio's days are told in: this machine's, or as the environment's `TZ` says. */
export function studioZone(): string {
  const said = process.env['TZ'];
  const zone = known.get(said) ?? Intl.DateTimeFormat().resolvedOptions().timeZone;
  known.set(said, zone);
  return zone;
}
