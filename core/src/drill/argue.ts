import { causeTitle } from '../diagnosis/catalogue';
import { cataloguePriors, evidenceFor, shares } from '../diagnosis/ledger';
import type { CaseFacts } from '../diagnosis/caseFacts';
import { CATALOGUE } from '../diagnosis/catalogue';
import type { Evidence } from '../formats/diagnosis';
import type { DrillCase, DrillStep } from '../formats/drill';
import type { CauseId } from '../formats/vocabulary';
import { wordsIn, type Say } from '../units/wording';
import { drillTold, knownAfter } from './drillAsk';
import { drillFacts } from './drillCase';
import { ledgerAsk } from './ledgerTrainee';
import { byText } from '../formats/byText';

/** As many causes as are argued about beside each other. */
const IN_QUESTION = 3;
/** As many questions as the ledger shows that it would have asked besides. */
const MOST_ASKED_AFTER = 4;

/** What it was, what the trainee took it for, and what the ledger took for likeliest: a few at the most. */
export function inQuestion(c: DrillCase, asked: readonly string[], believed: CauseId | null): CauseId[] {
  const ranked = [...shares(drillFacts(c, knownAfter(c, asked)))].sort((a, b) => b[1].share - a[1].share);
  const all: CauseId[] = [...c.truth, ...(believed ? [believed] : []), ...ranked.map(([id]) => id)];
  return [...new Set(all)].slice(0, Math.max(IN_QUESTION, c.truth.length + 1));
}

const evidenceOf = (id: CauseId, facts: CaseFacts): Evidence[] => {
  const cause = CATALOGUE.find((k) => k.id === id);
  return cause ? evidenceFor(cause, facts) : [];
};

const sharesOf = (facts: CaseFacts, ids: readonly CauseId[]): DrillStep['shares'] =>
  ids.map((id) => ({ id, title: causeTitle(id), share: shares(facts).get(id)?.share ?? 0 }));

/** What speaks of the causes in question now and did not before, loudest first. */
function newlySaid(ids: readonly CauseId[], before: CaseFacts | null, now: CaseFacts): DrillStep['says'] {
  return ids
    .flatMap((id) => {
      const known = new Map((before ? evidenceOf(id, before) : []).map((e) => [e.says, e.points]));
      return evidenceOf(id, now)
        .filter((e) => known.get(e.says) !== e.points)
        .map((e) => ({
          cause: id,
          title: causeTitle(id),
          points: Math.round(e.points * 10) / 10,
          says: e.says,
        }));
    })
    .sort((a, b) => Math.abs(b.points) - Math.abs(a.points) || byText(a.says, b.says));
}

/** What the ledger would ask next, until it is sure, after all that was asked. */
function askedBesides(c: DrillCase, asked: readonly string[]): string[] {
  const all = [...asked];
  while (all.length < asked.length + MOST_ASKED_AFTER) {
    const next = ledgerAsk(c, all);
    if (!next) break;
    all.push(next.id);
  }
  return all.slice(asked.length);
}

/**
 * The ledger's argument, step by step: how sure it is by the looks alone, what the record adds, what each thing adds
 * that was asked, and what it would have asked besides.
 * @param believed what the trainee was surest of
 */
export function argue(
  c: DrillCase,
  asked: readonly string[],
  believed: CauseId | null,
  say: Say = wordsIn(),
): DrillStep[] {
  const ids = inQuestion(c, asked, believed);
  const factsAfter = (all: readonly string[]) => drillFacts(c, knownAfter(c, all), say);
  const written = factsAfter([]);
  const priors = cataloguePriors(written);
  const looks: DrillStep = {
    title: 'By how it looks alone',
    says: [],
    shares: ids.map((id) => ({ id, title: causeTitle(id), share: priors.get(id) ?? 0 })),
  };
  const record: DrillStep = {
    title: 'What was written down',
    says: newlySaid(ids, null, written),
    shares: sharesOf(written, ids),
  };
  const besides = askedBesides(c, asked);
  const all = [...asked, ...besides];
  const told = drillTold(c, all, say);
  const steps = told.map((t): DrillStep => {
    const i = all.indexOf(t.id);
    const now = factsAfter(all.slice(0, i + 1));
    const who = i < asked.length ? 'You asked' : 'It would have asked';
    return {
      title: `${who}. ${t.label}: ${t.says}${/[.!?]$/.test(t.says) ? '' : '.'}`,
      says: newlySaid(ids, factsAfter(all.slice(0, i)), now),
      shares: sharesOf(now, ids),
    };
  });
  return [looks, record, ...steps];
}
