import type { CauseShare, Mend } from '../../formats/diagnosis';
import type { CauseId } from '../../formats/vocabulary';
import type { CaseFacts } from '../caseFacts';
import { hardnessDirection } from '../hardnessTrend';
import { failedMends, lastFailure } from '../mendChain';
import { areasTogether } from './mendAreas';
import { MENDS_BY_CAUSE } from './mendByCause';
import { mendByState, rubberByState } from './mendByState';
import { DUST } from './mendParts';

type Share = Pick<CauseShare, 'id' | 'share'> & Partial<Pick<CauseShare, 'evidence'>>;

/** From this share on a cause decides the mend. */
const LEADS = 0.35;
/**
 * From this share on, with something in the record for it, waiting is
 * tried before anything that cannot be taken back.
 */
const MAY_ONLY_NEED_TIME = 0.25;
/** Causes that only time or warmth mends; a mend made too early spoils what would have come by itself. */
const ONLY_TIME: readonly CauseId[] = ['too-soon', 'cold-cure'];

/** What decides the mend: the cause that leads, or the state where none does. */
function decided(facts: CaseFacts, causes: readonly Share[]): CauseId | null {
  // Flat is flat: what does not rise between two readings does not come by time, whatever its age.
  const flat = hardnessDirection(facts) === 'flat';
  const lead = causes.find((c) => c.id !== 'something-else');
  const rival = causes.find((c) => c.id === 'something-else');
  if (lead && lead.share >= LEADS && lead.share >= (rival?.share ?? 0))
    return flat && ONLY_TIME.includes(lead.id) ? null : lead.id;
  const early = causes.filter((c) => ONLY_TIME.includes(c.id)).reduce((sum, c) => sum + c.share, 0);
  const uncured = facts.seen.kind === 'tacky' || facts.seen.kind === 'soft';
  if (!uncured || flat || early < MAY_ONLY_NEED_TIME) return null;
  return causes.find((c) => ONLY_TIME.includes(c.id))?.id ?? null;
}

function firstMend(facts: CaseFacts, causes: readonly Share[]): Mend {
  const uncured = facts.seen.kind === 'tacky' || facts.seen.kind === 'soft';
  if (facts.product.family === 'silicone' && !uncured) return rubberByState(facts);
  const cause = decided(facts, causes);
  const row = cause === null ? undefined : MENDS_BY_CAUSE[cause];
  return row?.(facts) ?? mendByState(facts);
}

const COATED_LOOKS: ReadonlySet<string> = new Set(['tacky', 'haze', 'delamination']);

/** What comes off before the next mend: what failed never stays below it. */
function stripWords(facts: CaseFacts): string {
  if (lastFailure(facts.batch, facts.seen.kind) === 'delamination')
    return (
      'The coat has lifted: take off all of it that is loose, wash and sand what lies below, and wipe it. ' +
      'The next one goes on that, within its own bond window.'
    );
  return COATED_LOOKS.has(facts.seen.kind)
    ? 'Take the last coat off again, down to resin that is sound to a thumbnail, and let it lie bare and warm for a day before the next.'
    : 'Go back to sound resin before doing it again.';
}

/** What is done otherwise once a mend of the same symptom has failed: nothing that failed stays under the next. */
function again(facts: CaseFacts, first: Mend): Mend {
  const failed = failedMends(facts.batch, facts.seen.kind);
  if (failed === 0) return first;
  const before = failed === 1 ? 'The mend before did not hold.' : `${failed} mends have not held.`;
  const strip = `${before} ${stripWords(facts)}`;
  const caution = first.steps.some((s) => s.includes(DUST)) ? '' : ` ${DUST}`;
  const doubt =
    failed >= 2
      ? [
          'Weigh a new lot for this coat: what failed twice may be the bottles. Else grade it down or scrap it: a third mend costs more than the piece.',
        ]
      : [];
  return {
    ...first,
    steps: [strip + caution, ...doubt, ...first.steps],
    supplies: [...new Set([...first.supplies, '60–100 grit paper', 'dust mask'])],
  };
}

/** Families whose failed mends are never sanded down to be coated again. */
const NEVER_COATED = new Set(['silicone', 'mineral-acrylic']);

/**
 * Steps, supplies and the time of the next look for one symptom: by its cause where one leads, then the family, then
 * the state; several areas of one look together; and by the mends that failed.
 * @param causes of the symptom, likeliest first
 */
export function mendFor(facts: CaseFacts, causes: readonly Share[]): Mend {
  const first = areasTogether(facts, firstMend(facts, causes));
  return NEVER_COATED.has(facts.product.family) ? first : again(facts, first);
}
