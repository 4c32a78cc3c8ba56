import { recordFacts, type History } from '../diagnosis/caseFacts';
import { cataloguePriors, rankCauses } from '../diagnosis/ledger';
import { CAUSE_IDS, type CauseId } from '../formats/vocabulary';
import { studioRates, type SettledCase, type StudioRates } from '../outcomes/causeRates';
import { rateHistory } from '../outcomes/rateHistory';
import { chanceFrom, type Chance } from '../simulation/chance';
import { hiddenCase, type HiddenCase } from '../simulation/hiddenCase';
import { wordsIn } from '../units/wording';
import { errorOf, shareBins } from './shareCalibration';

/** Rates of a made-up studio differ from the catalogue's by so much, either way. */
const [LEAST, MOST] = [0.3, 3];

export interface LedgerScore {
  /** How often the cause given most was the hidden one. */
  readonly firstRight: number;
  /** Mean distance of the leading cause's share from how often it was right. */
  readonly leadingError: number;
}

export interface StudioCalibration {
  readonly studios: number;
  readonly outcomes: number;
  readonly cases: number;
  /** By the catalogue's rates, by those learned from the confirmed outcomes, and by the studio's true rates. */
  readonly catalogue: LedgerScore;
  readonly learned: LedgerScore;
  readonly trueRates: LedgerScore;
}

const factsOf = ({ product, batch, history, seen }: HiddenCase, more: History = {}) => ({
  ...recordFacts(product, batch, wordsIn(), { ...history, ...more }),
  seen,
});

/** A fault whose cause came out, as the studio's log keeps it. */
function settled(made: HiddenCase): SettledCase {
  return {
    kind: made.seen.kind,
    family: made.product.family,
    prior: Object.fromEntries(cataloguePriors(factsOf(made))),
    confirmed: [made.cause],
    refuted: [],
  };
}

const trueHistory = (oftener: ReadonlyMap<CauseId, number>): History => ({
  causes: [...oftener].map(([id, factor]) => ({ id, times: 1, of: 1, factor })),
});

/** One way to argue, scored over all studios. */
function scored() {
  const bins = shareBins();
  let [right, all] = [0, 0];
  return {
    judge: (made: HiddenCase, history: History) => {
      const [leader] = rankCauses(factsOf(made, history));
      if (!leader) return;
      const hit = leader.id === made.cause;
      bins.count(leader.share, hit);
      all += 1;
      if (hit) right += 1;
    },
    score: (): LedgerScore => ({ firstRight: right / Math.max(1, all), leadingError: errorOf(bins.rows()) }),
  };
}

const studioOf = (chance: Chance): ReadonlyMap<CauseId, number> =>
  new Map(CAUSE_IDS.map((id) => [id, Math.exp(chance.between(Math.log(LEAST), Math.log(MOST)))]));

const learnedHistory = (rates: StudioRates, { seen, product }: HiddenCase): History => ({
  causes: rateHistory(rates, seen.kind, product.family),
});

/**
 * Holds a ledger that learns against one that knows: made-up studios whose rates differ from the catalogue's, each
 * with so many confirmed outcomes, then new faults of the same studio.
 * @param studios how many; @param outcomes confirmed in each; @param cases new faults in each
 */
export function studioCalibration(studios: number, outcomes: number, cases: number, seed: number): StudioCalibration {
  const chance = chanceFrom(seed);
  const [catalogue, learned, trueRates] = [scored(), scored(), scored()];
  for (let s = 0; s < studios; s += 1) {
    const oftener = studioOf(chance);
    const known = Array.from({ length: outcomes }, () => settled(hiddenCase(chance, { oftener })));
    const rates = studioRates(known);
    for (let i = 0; i < cases; i += 1) {
      const made = hiddenCase(chance, { oftener });
      catalogue.judge(made, {});
      learned.judge(made, learnedHistory(rates, made));
      trueRates.judge(made, trueHistory(oftener));
    }
  }
  return {
    studios,
    outcomes,
    cases: studios * cases,
    catalogue: catalogue.score(),
    learned: learned.score(),
    trueRates: trueRates.score(),
  };
}
