import type { Sequelize } from 'sequelize';

/** A step of the schema. Steps go forward only; a landed step is never edited. */
export interface Migration {
  readonly name: string;
  readonly up: (sequelize: Sequelize) => Promise<void>;
}
