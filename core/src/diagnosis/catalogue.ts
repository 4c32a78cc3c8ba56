import type { CauseId } from '../formats/vocabulary';
import type { Cause } from './cause';
import { catalystHigh } from './causes/catalystHigh';
import { catalystLow } from './causes/catalystLow';
import { coldCure } from './causes/coldCure';
import { coldThickResin } from './causes/coldThickResin';
import { cupScraped } from './causes/cupScraped';
import { dampResin } from './causes/dampResin';
import { lightYellowed } from './causes/lightYellowed';
import { notCleared } from './causes/notCleared';
import { oldOrDampLot } from './causes/oldOrDampLot';
import { overheated } from './causes/overheated';
import { pressureLate } from './causes/pressureLate';
import { pressureLetGo } from './causes/pressureLetGo';
import { pressureLow } from './causes/pressureLow';
import { ratioOff } from './causes/ratioOff';
import { tooMuchAdditive } from './causes/tooMuchAdditive';
import { tooSoon } from './causes/tooSoon';
import { underMixed } from './causes/underMixed';

/** Every cause that Warm Jar can argue for. `something-else` is not here: the ledger always adds it. */
export const CATALOGUE: readonly Cause[] = [
  ratioOff, underMixed, cupScraped, tooMuchAdditive, coldCure, tooSoon, coldThickResin, notCleared, pressureLate,
  pressureLow, pressureLetGo, dampResin, overheated, lightYellowed, catalystLow, catalystHigh, oldOrDampLot,
];

/** What a technician would call a cause. */
export function causeTitle(id: CauseId): string {
  return CATALOGUE.find((c) => c.id === id)?.title ?? (id === 'something-else' ? 'Something else' : id.replaceAll('-', ' '));
}
