import type { Sequelize } from 'sequelize';
import { firstSchema } from './0001-first-schema';
import { shelf } from './0002-shelf';
import { benchEntries } from './0003-bench-entries';
import { checks } from './0004-checks';
import { learning } from './0005-learning';
import { access } from './0006-access';

/** A step of the schema. Steps go forward only; a landed step is never edited. */
export interface Migration {
  readonly name: string;
  readonly up: (sequelize: Sequelize) => Promise<void>;
}

export const MIGRATIONS: readonly Migration[] = [firstSchema, shelf, benchEntries, checks, learning, access];
