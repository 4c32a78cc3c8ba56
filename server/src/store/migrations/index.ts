import { firstSchema } from './0001-first-schema';
import { shelf } from './0002-shelf';
import { benchEntries } from './0003-bench-entries';
import { checks } from './0004-checks';
import { learning } from './0005-learning';
import { access } from './0006-access';
import { castings } from './0007-castings';
import { outcomes } from './0008-outcomes';
import { imports } from './0009-imports';
import { words } from './0010-words';
import { drills } from './0011-drills';
import { keptFacts } from './0012-kept-facts';
import { broughtIn } from './0013-brought-in';
import { keptParts } from './0014-kept-parts';
import { longerIndexes } from './0015-longer-indexes';
import { marks } from './0016-marks';
import { oneIndex } from './0017-one-index';
import { countedByParts } from './0018-counted-by-parts';
import type { Migration } from './migration';

/** Every step, in order. */
export const MIGRATIONS: readonly Migration[] = [
  firstSchema,
  shelf,
  benchEntries,
  checks,
  learning,
  access,
  castings,
  outcomes,
  imports,
  words,
  drills,
  keptFacts,
  broughtIn,
  keptParts,
  longerIndexes,
  marks,
  oneIndex,
  countedByParts,
];
