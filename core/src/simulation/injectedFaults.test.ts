import { describe, expect, it } from 'vitest';
import { recordFacts } from '../diagnosis/caseFacts';
import { CATALOGUE } from '../diagnosis/catalogue';
import type { Cause } from '../diagnosis/cause';
import { rankCauses } from '../diagnosis/ledger';
import { batchSchema } from '../formats/batch';
import { PATTERNS_BY_SYMPTOM, SYMPTOM_KINDS, type CauseId, type SymptomKind } from '../formats/vocabulary';
import { workingTime } from '../cure/workingTime';
import { wordsIn } from '../units/wording';
import { chanceFrom } from './chance';
import { INJECTED_FAULTS, couldBe, hiddenCase } from './hiddenCase';
import { SALTMARSH_CARDS } from './saltmarshCards';
import type { FaultScene } from './injectedFault';
import { overlay, soundBatch } from './soundBatch';

const LOOKED_AFTER_H = 48;

/** Everything a cause could make in a product of the demo studio. */
function scenesOf(cause: Cause): { slug: string; kind: SymptomKind; pattern: string }[] {
  return SALTMARSH_CARDS.filter((card) => !cause.families || cause.families.includes(card.family)).flatMap((card) =>
    SYMPTOM_KINDS.flatMap((kind) =>
      PATTERNS_BY_SYMPTOM[kind]
        .filter((pattern) => (cause.prior[kind]?.[pattern as 'unspecified'] ?? 0) > 0)
        .map((pattern) => ({ slug: card.slug, kind, pattern })),
    ),
  );
}

/** Mean share of a cause over made-up batches, with its fault in them and without. */
function shares(cause: Cause, rounds: number): { withFault: number; without: number; made: number } {
  const chance = chanceFrom(11);
  const all = scenesOf(cause);
  let [withFault, without, made] = [0, 0, 0];
  for (let i = 0; i < rounds; i += 1) {
    const { slug, kind, pattern } = all[i % all.length]!;
    const card = SALTMARSH_CARDS.find((c) => c.slug === slug)!;
    const base = soundBatch(slug, {}, 200);
    const scene: FaultScene = {
      chance,
      card,
      seen: { kind, pattern },
      totalG: 200,
      gelMin: workingTime(card, base).gelMin,
      startedAt: base.startedAt ?? '',
    };
    const injected = INJECTED_FAULTS[cause.id]?.(scene);
    const spoiled = injected ? batchSchema.safeParse(overlay(base, injected.patch)) : null;
    if (!injected || !spoiled?.success) continue;
    const afterH = injected.afterH ?? LOOKED_AFTER_H;
    const shareIn = (batch: typeof base, history: NonNullable<typeof injected.history>) =>
      rankCauses({ ...recordFacts(card, batch, wordsIn(), history), seen: { kind, pattern, afterH } }).find(
        (c) => c.id === cause.id,
      )?.share ?? 0;
    withFault += shareIn(spoiled.data, injected.history ?? {});
    without += shareIn(base, {});
    made += 1;
  }
  return { withFault: withFault / made, without: without / made, made };
}

describe('every fault of the made-up studio', () => {
  it("is one of the catalogue's causes, and every cause but those the fault alone shows has one", () => {
    const ids = new Set(CATALOGUE.map((c) => c.id));
    for (const id of Object.keys(INJECTED_FAULTS)) expect(ids.has(id as CauseId), id).toBe(true);
    expect(Object.keys(INJECTED_FAULTS).length).toBeGreaterThanOrEqual(CATALOGUE.length - 6);
  });
  it.each(CATALOGUE.filter((c) => INJECTED_FAULTS[c.id]).map((c) => [c.id, c] as const))(
    '%s leaves a trace that speaks for itself',
    (_id, cause) => {
      const { withFault, without, made } = shares(cause, 24);
      expect(made).toBeGreaterThan(0);
      expect(withFault).toBeGreaterThan(without);
    },
  );
});

describe('a made-up batch with a hidden cause', () => {
  it('is one that its product could have, with its symptom on record', () => {
    const chance = chanceFrom(4);
    for (let i = 0; i < 120; i += 1) {
      const { product, batch, cause, seen } = hiddenCase(chance);
      expect(batchSchema.safeParse(batch).success).toBe(true);
      expect(batch.checks![0]!.symptoms![0]).toMatchObject({ kind: seen.kind, pattern: seen.pattern });
      const scene: FaultScene = { chance, card: product, seen, totalG: 200, gelMin: null, startedAt: '' };
      expect(couldBe(scene).map((c) => c.cause)).toContain(cause);
    }
  });
  it('is the same again from the same seed, and has no gaps where none are allowed', () => {
    expect(hiddenCase(chanceFrom(9))).toEqual(hiddenCase(chanceFrom(9)));
    const whole = Array.from({ length: 20 }, (_, i) => hiddenCase(chanceFrom(i), { maxGaps: 0, besideRate: 0 }).batch);
    expect(whole.every((b) => b.room?.temperatureC != null && b.mix != null)).toBe(true);
  });
});
