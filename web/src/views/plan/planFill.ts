import { coatVolumeML, CoreError, mouldAmount, type Mould, type PlanRequest, type Product } from '@warm-jar/core';
import { volumeOf } from '../../components/volumeOf';
import type { PlanForm } from '../../stores/planForm';

/** What is to be filled: a volume or a mass, and the pour's measures; or why it cannot be told yet. */
export interface PlanFill {
  readonly volumeML: number | null;
  readonly massG: number | null;
  readonly depthMm: number | null;
  readonly thinnestMm: number | null;
  /** Width of one pour seen from above, where its shape tells. */
  readonly widthMm: number | null;
  readonly pieces: number | null;
  /** How the amount is known, in words. */
  readonly from: string;
  /** What is still missing or wrong, by form field; empty where it is all there. */
  readonly issues: Readonly<Record<string, string>>;
}

export interface MouldOnShelf {
  readonly item: Mould;
  readonly masses: readonly { productSlug: string; massG: number }[];
  /** Pulls by the log. */
  readonly pulls?: number;
}
type WantedMould = NonNullable<PlanRequest['want']['moulds']>[number];

const nothing = {
  widthMm: null,
  volumeML: null,
  massG: null,
  depthMm: null,
  thinnestMm: null,
  pieces: null,
  from: '',
  issues: {},
};
const least = (values: readonly (number | null | undefined)[]) => {
  const known = values.filter((v): v is number => v != null);
  return known.length > 0 ? Math.min(...known) : null;
};
const most = (values: readonly (number | null | undefined)[]) => {
  const known = values.filter((v): v is number => v != null);
  return known.length > 0 ? Math.max(...known) : null;
};

/** The widest cavity seen from above, as a square of its volume over its depth, mm; null where one is not known. */
function widest(cavities: NonNullable<Mould['cavities']>): number | null {
  const widths = cavities.map((c) =>
    c.volumeML != null && c.depthMm != null && c.depthMm > 0 ? Math.sqrt((c.volumeML * 1000) / c.depthMm) : null,
  );
  return widths.includes(null) ? null : most(widths);
}

function ofMould(form: PlanForm, mould: MouldOnShelf | null, product: Product): PlanFill {
  if (!mould) return { ...nothing, issues: { mouldCode: 'Choose the mould.' } };
  const cavities = mould.item.cavities ?? [];
  const pieces = form.pieces ?? cavities.length;
  const amount = mouldAmount(
    mould.item,
    product.mixedDensityGPerML ?? null,
    mould.masses.filter((m) => m.productSlug === product.slug).map((m) => m.massG),
  );
  if (amount.volumeML === null)
    return {
      ...nothing,
      issues: { mouldCode: `${mould.item.code} has a cavity without a volume. Measure it on the shelf first.` },
    };
  if (pieces < 1 || !Number.isInteger(pieces))
    return { ...nothing, issues: { pieces: 'Write a whole number of pieces, 1 or more.' } };
  const FROM = {
    pulls: 'by its earlier pulls',
    'first-guess': 'a first guess: a quarter of its cavities',
    cavities: 'by its cavities',
    'not-known': '',
  };
  // More pieces than cavities are more than one mould or pull of the same.
  return {
    volumeML: (amount.volumeML * pieces) / Math.max(1, cavities.length),
    massG: null,
    pieces,
    depthMm: mould.item.hollow ? null : (form.depthMm ?? most(cavities.map((c) => c.depthMm))),
    thinnestMm: form.thinnestMm ?? least(cavities.map((c) => c.thinnestMm)),
    widthMm: mould.item.hollow ? null : (form.widthMm ?? widest(cavities)),
    from: FROM[amount.from],
    issues: {},
  };
}

function ofShape(form: PlanForm): PlanFill {
  const { volumeML, problem } = volumeOf('shape', form.shape, form.measures);
  const pieces = form.pieces ?? 1;
  if (volumeML === null) return { ...nothing, issues: { measures: problem ?? 'Give every measure of the shape.' } };
  const depthMm = form.measures['depthMm'] ?? null;
  return {
    volumeML: volumeML * pieces,
    massG: null,
    pieces,
    depthMm,
    thinnestMm: form.thinnestMm ?? depthMm,
    widthMm: depthMm === null ? null : Math.sqrt((volumeML * 1000) / depthMm),
    from: 'by its measures',
    issues: {},
  };
}

function ofCoat(form: PlanForm): PlanFill {
  if (form.areaCM2 === null || form.thicknessMm === null)
    return { ...nothing, issues: { areaCM2: 'Give the area and how thick the coat is to be.' } };
  try {
    const volumeML = coatVolumeML({
      areaCM2: form.areaCM2,
      thicknessMm: form.thicknessMm,
      edgeMm: form.edgeMm ?? undefined,
      edgeHeightMm: form.edgeHeightMm ?? undefined,
    });
    const pieces = form.pieces ?? 1;
    return {
      volumeML: volumeML * pieces,
      massG: null,
      pieces,
      depthMm: form.thicknessMm,
      thinnestMm: form.thinnestMm ?? form.thicknessMm,
      widthMm: Math.sqrt(form.areaCM2 * 100),
      from: 'area by thickness',
      issues: {},
    };
  } catch (error) {
    if (error instanceof CoreError) return { ...nothing, issues: { [error.path]: error.message } };
    throw error;
  }
}

/** One of several equal pours takes its share of depth and volume. */
function onePour(fill: PlanFill, of: number | null): PlanFill {
  if (of === null || of <= 1 || fill.depthMm === null) return fill;
  return {
    ...fill,
    volumeML: fill.volumeML === null ? null : fill.volumeML / of,
    massG: fill.massG === null ? null : fill.massG / of,
    depthMm: fill.depthMm / of,
    from: `${fill.from}; one of ${of} pours`,
  };
}

/** Works out what is to be filled from what was said. */
export const planFill = (
  form: PlanForm,
  product: Product,
  mould: MouldOnShelf | null,
  more: readonly MouldOnShelf[] = [],
): PlanFill =>
  onePour(
    more.reduce(
      (sum, m) => together(sum, ofMould({ ...form, pieces: null, depthMm: null, thinnestMm: null }, m, product)),
      wholeFill(form, product, mould),
    ),
    form.pourOf,
  );

/** Each of several moulds as the planner takes it, with the volume of one of its cavities. */
export function wantedMoulds(form: PlanForm, product: Product, moulds: readonly MouldOnShelf[]): WantedMould[] {
  return moulds.map((m, i) => {
    // What was typed of pieces, depth and section is of the first.
    const own = i === 0 ? form : { ...form, pieces: null, depthMm: null, thinnestMm: null, widthMm: null };
    const fill = ofMould(own, m, product);
    const pieces = fill.pieces ?? 1;
    return {
      code: m.item.code,
      cavities: pieces,
      volumeML: fill.volumeML === null ? null : fill.volumeML / Math.max(1, pieces),
      depthMm: fill.depthMm,
      thinnestMm: fill.thinnestMm,
      rubber: m.item.rubber ?? null,
      degassed: m.item.degassed ?? null,
      pullsLeft: pullsLeft(m),
    };
  });
}

/** Pulls a mould has left of those it is expected to last; null where nobody says how many that are. */
export function pullsLeft({ item, pulls = 0 }: MouldOnShelf): number | null {
  return item.pullsExpected == null ? null : item.pullsExpected - (item.pullsBefore ?? 0) - pulls;
}

/** Two moulds filled from one cup: their volumes together, the deeper depth, the thinner section. */
function together(a: PlanFill, b: PlanFill): PlanFill {
  if (a.volumeML === null || b.volumeML === null) return { ...a, volumeML: null, issues: { ...a.issues, ...b.issues } };
  return {
    ...a,
    volumeML: a.volumeML + b.volumeML,
    depthMm: most([a.depthMm, b.depthMm]),
    thinnestMm: least([a.thinnestMm, b.thinnestMm]),
    widthMm: most([a.widthMm, b.widthMm]),
    pieces: (a.pieces ?? 0) + (b.pieces ?? 0),
  };
}

function wholeFill(form: PlanForm, product: Product, mould: MouldOnShelf | null): PlanFill {
  switch (form.fill) {
    case 'mould':
      return ofMould(form, mould, product);
    case 'shape':
      return ofShape(form);
    case 'coat':
      return ofCoat(form);
    case 'mass':
      return form.massG === null || form.massG <= 0
        ? { ...nothing, issues: { massG: 'Write a mass, more than 0.' } }
        : {
            ...nothing,
            massG: form.massG,
            pieces: form.pieces,
            depthMm: form.depthMm,
            thinnestMm: form.thinnestMm,
            widthMm: form.widthMm,
            from: 'as typed',
          };
  }
}
