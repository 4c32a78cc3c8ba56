import type { CauseId } from '../formats/vocabulary';
import type { Cause } from './cause';
import { agedHardener } from './causes/agedHardener';
import { airInhibition } from './causes/airInhibition';
import { amineBlush } from './causes/amineBlush';
import { bondWindowMissed } from './causes/bondWindowMissed';
import { catalystHigh } from './causes/catalystHigh';
import { catalystLow } from './causes/catalystLow';
import { coldCure } from './causes/coldCure';
import { coldThickResin } from './causes/coldThickResin';
import { cupScraped } from './causes/cupScraped';
import { dampResin } from './causes/dampResin';
import { flameScorch } from './causes/flameScorch';
import { inclusionReaction } from './causes/inclusionReaction';
import { inhibitedByContact } from './causes/inhibitedByContact';
import { lightYellowed } from './causes/lightYellowed';
import { loosePowder } from './causes/loosePowder';
import { mouldFlaw } from './causes/mouldFlaw';
import { mouldNotDegassed } from './causes/mouldNotDegassed';
import { notCleared } from './causes/notCleared';
import { oldOrDampLot } from './causes/oldOrDampLot';
import { overheated } from './causes/overheated';
import { poorKey } from './causes/poorKey';
import { pressureLate } from './causes/pressureLate';
import { pressureLetGo } from './causes/pressureLetGo';
import { pressureLow } from './causes/pressureLow';
import { ratioOff } from './causes/ratioOff';
import { shrinkage } from './causes/shrinkage';
import { surfaceTexture } from './causes/surfaceTexture';
import { thinSection } from './causes/thinSection';
import { tinMould } from './causes/tinMould';
import { tooMuchAdditive } from './causes/tooMuchAdditive';
import { tooSoon } from './causes/tooSoon';
import { trappedByShape } from './causes/trappedByShape';
import { underExposed } from './causes/underExposed';
import { underMixed } from './causes/underMixed';
import { wetInclusion } from './causes/wetInclusion';
import { wetLayerBelow } from './causes/wetLayerBelow';
import { whippedAir } from './causes/whippedAir';
import { airUnderInclusion } from './causes/airUnderInclusion';
import { colourNotWetted } from './causes/colourNotWetted';
import { colourSettled } from './causes/colourSettled';
import { layerContaminated } from './causes/layerContaminated';
import { mouldLeaked } from './causes/mouldLeaked';
import { overFilled } from './causes/overFilled';
import { soakedIn } from './causes/soakedIn';

/** Every cause that Warm Jar can argue for. `something-else` is not here: the ledger always adds it. */
export const CATALOGUE: readonly Cause[] = [
  ratioOff,
  underMixed,
  cupScraped,
  tooMuchAdditive,
  coldCure,
  tooSoon,
  coldThickResin,
  notCleared,
  pressureLate,
  pressureLow,
  pressureLetGo,
  dampResin,
  overheated,
  lightYellowed,
  catalystLow,
  catalystHigh,
  oldOrDampLot,
  thinSection,
  amineBlush,
  airInhibition,
  inhibitedByContact,
  underExposed,
  whippedAir,
  wetInclusion,
  inclusionReaction,
  mouldNotDegassed,
  trappedByShape,
  mouldFlaw,
  flameScorch,
  agedHardener,
  tinMould,
  surfaceTexture,
  wetLayerBelow,
  bondWindowMissed,
  poorKey,
  shrinkage,
  loosePowder,
  airUnderInclusion,
  colourNotWetted,
  colourSettled,
  layerContaminated,
  mouldLeaked,
  overFilled,
  soakedIn,
];

/** What a technician would call a cause. */
export function causeTitle(id: CauseId): string {
  return (
    CATALOGUE.find((c) => c.id === id)?.title ?? (id === 'something-else' ? 'Something else' : id.replaceAll('-', ' '))
  );
}
