import {
  castingAsBatch,
  castingGrade,
  castingIds,
  castingOf,
  castingsOf,
  looksAt,
  mixMasses,
  workingTime,
  type Batch,
  type Mould,
  type Product,
} from '@warm-jar/core';
import { cupColour, cupWords } from '../../components/cupColour';
import { symptomWords } from '../../components/words';

/** One casting as the batch's page shows it. */
export interface CastingLine {
  readonly id: string;
  /** Place of its cup among those of the mix; −1 where nobody recorded which it was. */
  readonly cup: number;
  readonly mould: string;
  readonly massG: number | null;
  readonly grade: string | null;
  /** Why it is what it is: the reason that was written down, else what was seen at its latest look. */
  readonly why: string;
  readonly price: number | null;
  readonly sold: boolean;
  readonly colour: string;
  readonly bubbles: boolean;
  readonly void: boolean;
}

/** One cup of the mix. */
export interface CupLine {
  readonly title: string;
  readonly massG: number | null;
  readonly potLifeMin: number | null;
  readonly words: string;
  readonly colour: string;
}

function whyOf(batch: Batch, id: string): string {
  const said = castingOf(batch, id)?.reason;
  const last =
    looksAt(batch, id)
      .filter((c) => c.casting === id)
      .at(-1) ?? looksAt(batch, id).at(-1);
  return said ?? (last?.symptoms ?? []).map(symptomWords).join('; ');
}

const mouldWords = (code: string | null | undefined, cavity: number | null | undefined) =>
  [code ?? 'mould not recorded', cavity == null ? null : `cavity ${cavity}`].filter(Boolean).join(', ');

/** The castings of a batch that tells them apart, in order. */
export function castingLines(product: Product, batch: Batch): CastingLine[] {
  const cups = batch.cups ?? [];
  return castingIds(batch).flatMap((id): CastingLine[] => {
    const casting = castingOf(batch, id);
    if (!casting) return [];
    const view = castingAsBatch(product, batch, casting.id);
    const seen = looksAt(batch, id)
      .filter((c) => c.casting === id)
      .flatMap((c) => c.symptoms ?? []);
    return [
      {
        id: casting.id,
        cup: cups.length === 0 ? 0 : cups.findIndex((c) => c.id === casting.cup),
        mould: mouldWords(view.mould?.code, casting.mould?.cavity),
        massG: casting.massG ?? null,
        grade: castingGrade(batch, id),
        why: whyOf(batch, casting.id),
        price: casting.price ?? null,
        sold: casting.soldOn != null,
        colour: cupColour(view.additives),
        bubbles: seen.some((s) => s.kind === 'bubbles' && s.pattern !== 'large-voids'),
        void: seen.some((s) => s.pattern === 'large-voids'),
      },
    ];
  });
}

/** The cups of a mix; the mix itself, where it was not split. */
export function cupLines(product: Product, batch: Batch): CupLine[] {
  const whole = mixMasses(product, batch).totalG;
  const cups = batch.cups ?? [];
  if (cups.length === 0)
    return [
      {
        title: cupWords(batch.additives),
        massG: whole,
        potLifeMin: workingTime(product, batch).potLifeMin,
        words: '',
        colour: cupColour(batch.additives),
      },
    ];
  return cups.map((cup, i) => {
    const additives = cup.additives ?? batch.additives;
    const drops = (cup.additives ?? []).reduce((sum, a) => sum + (a.drops ?? 0), 0);
    return {
      title: `Cup ${i + 1}, ${cupWords(additives)}`,
      massG: cup.massG ?? null,
      potLifeMin: null,
      words: drops > 0 ? `${drops} drops` : '',
      colour: cupColour(additives),
    };
  });
}

/** Heights of the streams, in shares of a whole: what each casting took of the mix. */
export function streamShares(lines: readonly CastingLine[]): number[] {
  const known = lines.map((l) => l.massG ?? 0);
  const all = known.reduce((a, b) => a + b, 0);
  return known.map((m) => (m > 0 && all > 0 ? m / all : 1 / Math.max(1, lines.length)));
}

/** The outline that a casting is drawn with: its cavity's, where the shelf knows it. */
export function outlineOf(batch: Batch, id: string, moulds: readonly Mould[]) {
  const casting = castingsOf(batch).find((k) => k.id === id);
  const mould = moulds.find((m) => m.code === (casting?.mould?.code ?? batch.mould?.code));
  const cavity = mould?.cavities?.[(casting?.mould?.cavity ?? 1) - 1] ?? mould?.cavities?.[0];
  return { kind: cavity?.outline ?? 'ellipse', aspect: cavity?.outlineAspect ?? 1 } as const;
}
