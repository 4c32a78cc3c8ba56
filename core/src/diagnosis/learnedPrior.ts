import type { CauseShare } from '../formats/diagnosis';
import type { CauseId } from '../formats/vocabulary';
import { learnedFactor } from '../outcomes/causeRates';
import type { CaseFacts, History } from './caseFacts';

/** What the studio's outcomes tell of one cause. */
export type HereRate = NonNullable<CauseShare['here']>;
type Told = NonNullable<NonNullable<History['causes']>[number]>;

/** What is told of the symptom that was seen, else of any. */
const ofSymptom = ({ history, seen }: CaseFacts): readonly Told[] => {
  const all = history.causes ?? [];
  const own = all.filter((c) => c.symptom === seen.kind);
  return own.length > 0 ? own : all.filter((c) => c.symptom == null);
};

const figure = (v: number) => (Number.isInteger(v) ? String(v) : v.toFixed(1));

function rateOf(told: Told | undefined, of: number, share: number): HereRate {
  const [times, all] = [told?.times ?? 0, told?.of ?? of];
  const expected = told?.expected ?? all * share;
  const factor = told?.factor ?? learnedFactor(times, expected);
  return {
    times,
    of: all,
    expected,
    factor,
    says: `Here it turned out to be this in ${figure(times)} of ${figure(all)}; the catalogue expects ${figure(Math.round(expected * 10) / 10)}.`,
  };
}

/**
 * How much oftener each cause is the one in this studio than in the catalogue.
 * @param catalogue the causes of this case, with their shares before anything is known of the studio
 * @returns nothing where nothing was ever confirmed
 */
export function ratesHere(facts: CaseFacts, catalogue: ReadonlyMap<CauseId, number>): ReadonlyMap<CauseId, HereRate> {
  const told = ofSymptom(facts);
  const of = Math.max(0, ...told.map((t) => t.of));
  if (of === 0) return new Map();
  // Rates that tell what was expected tell it of every cause that any of those faults could have had: of one that they
  // leave out nothing is known here. Plain counts leave out what it never was.
  const isWhole = told.some((t) => t.expected != null);
  return new Map(
    [...catalogue].flatMap(([id, share]) => {
      const own = told.find((t) => t.id === id);
      return own === undefined && isWhole ? [] : [[id, rateOf(own, of, share)] as const];
    }),
  );
}
