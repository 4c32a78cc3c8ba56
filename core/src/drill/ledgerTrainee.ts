import { tellingAsks } from '../diagnosis/ask';
import type { CaseFacts } from '../diagnosis/caseFacts';
import { shares } from '../diagnosis/ledger';
import { explainedTogether } from '../diagnosis/together';
import type { DrillAsk, DrillCase } from '../formats/drill';
import type { CauseId } from '../formats/vocabulary';
import type { Chance } from '../simulation/chance';
import { drillAsks, knownAfter } from './drillAsk';
import { drillFacts } from './drillCase';
import type { Sureness } from './drillScore';
import { byText } from '../formats/byText';

/** The ledger stops asking when a cause leads by this, when nothing would tell this much a minute, or after so many. */
const [SURE, LEAST_BITS_A_MIN, MOST_ASKED] = [0.9, 0.004, 12];

/** The level that tells its trainee that two causes were at work. */
const TWO_AT_ONCE = 4;

/** How sure the ledger is of each cause, after some was asked; of two alike where it is told of two and names them. */
export function ledgerSpread(c: DrillCase, asked: readonly string[]): Sureness {
  const facts = drillFacts(c, knownAfter(c, asked));
  const alone = new Map([...shares(facts)].map(([id, { share }]): [CauseId, number] => [id, share]));
  const both = c.level === TWO_AT_ONCE ? explainedTogether(facts) : null;
  if (!both) return alone;
  const of = (id: CauseId) => (both.ids.includes(id) ? both.share / both.ids.length : 0);
  return new Map([...alone].map(([id, share]) => [id, share * (1 - both.share) + of(id)]));
}

/** How sure the ledger is of its answer: of the cause that leads, or of both where it is told of two and names them. */
function sureOf(c: DrillCase, facts: CaseFacts): number {
  const both = c.level === TWO_AT_ONCE ? explainedTogether(facts) : null;
  if (both) return both.share;
  return Math.max(...[...shares(facts)].filter(([id]) => id !== 'something-else').map(([, { share }]) => share), 0);
}

/** Ids of the drill for what the ledger asks by field. */
const askIdOf = (field: string) => (field.startsWith('quickTests.') ? `test:${field.slice(11)}` : `field:${field}`);

/** What the ledger would ask next, after some was asked; null where it is sure, or nothing is worth its minutes. */
export function ledgerAsk(c: DrillCase, asked: readonly string[]): DrillAsk | null {
  const facts = drillFacts(c, knownAfter(c, asked));
  const offered = new Map(drillAsks(c, asked).map((a) => [a.id, a]));
  // A figure that is hardly believable is read again before anything else.
  const doubted = facts.doubts.map((d) => offered.get(`again:${d.field}`)).find((a) => a !== undefined);
  if (doubted) return doubted;
  if (sureOf(c, facts) >= SURE) return null;
  const worth = tellingAsks(facts)
    .flatMap(({ field, bits }) => {
      const ask = offered.get(askIdOf(field));
      return ask ? [{ ask, rate: bits / Math.max(1, ask.minutes) }] : [];
    })
    .sort((a, b) => b.rate - a.rate || byText(a.ask.id, b.ask.id))[0];
  return worth && worth.rate >= LEAST_BITS_A_MIN ? worth.ask : null;
}

/** What a trainee has done: asked, what that cost, and how sure it was in the end. */
export interface Taken {
  readonly asked: readonly string[];
  readonly minutes: number;
  readonly spread: Sureness;
}

/** The ledger takes a drill: it asks what tells most a minute until it is sure. Trainees are held against it. */
export function ledgerTakes(c: DrillCase): Taken {
  const asked: string[] = [];
  let minutes = 0;
  while (asked.length < MOST_ASKED) {
    const next = ledgerAsk(c, asked);
    if (!next) break;
    asked.push(next.id);
    minutes += next.minutes;
  }
  return { asked, minutes, spread: ledgerSpread(c, asked) };
}

/** A trainee who knows nothing: asks anything, and is sure of anything. */
export function randomTakes(c: DrillCase, causes: readonly CauseId[], chance: Chance): Taken {
  const asked: string[] = [];
  let minutes = 0;
  for (let left = Math.round(chance.between(0, 4)); left > 0; left -= 1) {
    const offered = drillAsks(c, asked).filter((a) => a.kind !== 'again');
    if (offered.length === 0) break;
    const next = chance.pick(offered);
    asked.push(next.id);
    minutes += next.minutes;
  }
  const weights = causes.map((id): [CauseId, number] => [id, -Math.log(1 - chance.unit())]);
  const total = weights.reduce((sum, [, w]) => sum + w, 0);
  return { asked, minutes, spread: new Map(weights.map(([id, w]) => [id, w / total])) };
}
