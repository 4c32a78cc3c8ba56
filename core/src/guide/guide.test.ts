import { describe, expect, it } from 'vitest';
import { BATCH_FIELDS } from '../formats/batchFields';
import { productSchema } from '../formats/product';
import { schemaPaths } from '../formats/schemaPaths';
import { limitReadings } from '../limits/limitReadings';
import { SALTMARSH_CARDS } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { PROBLEM_HELP, problemHelp } from './problems';
import { START_CAUTION, START_STEPS } from './startPage';
import { TERMS, termOf, termOfField } from './terms';

describe('the words that are explained', () => {
  it('are each there once, in sentences short enough for gloves', () => {
    expect(new Set(TERMS.map((t) => t.id)).size).toBe(TERMS.length);
    for (const { id, says } of TERMS) {
      expect(says, id).toMatch(/\.$/);
      expect(says.length, id).toBeLessThan(330);
    }
  });
  it.each(TERMS.filter((t) => t.picture).map((t) => [t.id, t.picture!] as const))(
    'the picture of %s says in words what it shows',
    (_, picture) => {
      expect(picture.alt.length).toBeGreaterThan(30);
      if (picture.kind !== 'curve') return;
      // A line that leaves its axes is drawn over their words.
      const isWithin = (v: number, { from, to }: { from: number; to: number }) => v >= from && v <= to;
      for (const [x, y] of [...picture.points, ...picture.marks.map((m) => [m.x, m.y] as const)])
        expect([x, isWithin(x, picture.x), isWithin(y, picture.y)]).toEqual([x, true, true]);
    },
  );
  it('draw what the formulas give: a warmer pot life is a shorter one, a pressed bubble a smaller one', () => {
    const curve = termOf('pot-life')?.picture;
    const ys = curve?.kind === 'curve' ? curve.points.map(([, y]) => y) : [];
    expect(ys.length).toBeGreaterThan(10);
    expect([...ys].sort((a, b) => b - a)).toEqual(ys);
    const dots = termOf('pressure')?.picture;
    const shares = dots?.kind === 'dots' ? dots.dots.map((d) => d.share) : [];
    // (P0 / (P0 + P))^(1/3) at 415 kPa gauge.
    expect(shares.at(-1)).toBeCloseTo((101.325 / 516.325) ** (1 / 3), 6);
  });
  it('cover every figure of a card', () => {
    const figures = [...schemaPaths(productSchema)].filter((p) =>
      /(?:Pct|C|G|ML|Mm|KPa|KPaAbs|Min|minutes|hours|Months|MPaS|CM2)$/.test(p),
    );
    expect(figures.length).toBeGreaterThan(40);
    expect(figures.filter((p) => termOfField(p) === undefined)).toEqual([]);
  });
  it('are found for fields in lists, and not for fields that only begin alike', () => {
    expect(termOfField('checks[3].shore')?.id).toBe('hardness');
    expect(termOfField('densityAGPerML')?.id).toBe('density');
    expect(termOfField('roomy')).toBeUndefined();
    expect(termOfField('')).toBeUndefined();
  });
  it('name only fields that there are', () => {
    const worked = SALTMARSH_CARDS.flatMap((card) => limitReadings(card, soundBatch(card.slug)).map((r) => r.field));
    const known = [...BATCH_FIELDS.map((f) => f.path), ...schemaPaths(productSchema), ...worked];
    const ofBatchOrCard = TERMS.flatMap((t) => t.fields ?? []).filter((f) => /[.[]/.test(f));
    expect(ofBatchOrCard.length).toBeGreaterThan(10);
    expect(ofBatchOrCard.filter((f) => !known.some((k) => k.startsWith(f) || f.startsWith('mix.ratio')))).toEqual([]);
  });
});

describe('errors', () => {
  it('say what happened and the way on, each under its code', () => {
    expect(new Set(PROBLEM_HELP.map((p) => p.code)).size).toBe(PROBLEM_HELP.length);
    expect(problemHelp('version-conflict')?.says).toMatch(/Nothing of yours is lost/);
    expect(problemHelp('no-such-code')).toBeUndefined();
  });
});

describe('the page beside the bench', () => {
  it('fits one page and ends with what comes first', () => {
    expect(START_STEPS.length).toBeLessThanOrEqual(10);
    expect(START_STEPS.reduce((n, s) => n + s.says.length, 0)).toBeLessThan(1500);
    expect(START_CAUTION).toMatch(/data sheet/);
  });
});

describe('every limit', () => {
  it('has a word that explains it, on every card', () => {
    const record = {
      checks: [{ afterH: 30, shore: 40, symptoms: [] }],
      additives: [{ kind: 'dye', name: 'sea green', massG: 1 }],
      inclusions: [{ what: 'oak offcut', kind: 'wood', moisturePct: 4 }],
    };
    const unexplained = SALTMARSH_CARDS.flatMap((card) => {
      const layerBelow = { family: card.family, productSlug: card.slug, hoursSince: 3 };
      return limitReadings(card, soundBatch(card.slug, { ...record, layerBelow }))
        .filter((r) => termOfField(r.field) === undefined)
        .map((r) => r.field);
    });
    expect([...new Set(unexplained)]).toEqual([]);
  });
});
