import { isVacuumed, type Gear, type Route } from '@warm-jar/core';
import type { GearChoice, PlanForm } from '../../stores/planForm';

type Kind = Gear['kind'];
type Of<K extends Kind> = Extract<Gear, { kind: K }>;

/** The gear a plan reckons with; null where there is none or none was wanted. */
export interface PlanGear {
  readonly scale: Of<'scale'> | null;
  readonly cup: Of<'cup'> | null;
  readonly vessel: Of<'pressure-vessel'> | null;
  readonly compressor: Of<'compressor'> | null;
  readonly pump: Of<'vacuum-pump'> | null;
  readonly lamp: Of<'lamp'> | null;
  readonly hotBox: Of<'hot-box'> | null;
}

export const gearOfKind = <K extends Kind>(gear: readonly Gear[], kind: K): Of<K>[] =>
  gear.filter((g): g is Of<K> => g.kind === kind);

function chosen<K extends Kind>(
  all: readonly Of<K>[],
  choice: GearChoice,
  best: (all: readonly Of<K>[]) => Of<K> | undefined,
): Of<K> | null {
  if (choice === 'none') return null;
  return all.find((g) => g.code === choice) ?? best(all) ?? null;
}

const by = <T>(all: readonly T[], figure: (t: T) => number): T | undefined =>
  [...all].sort((a, b) => figure(a) - figure(b))[0];
/** Room that a mix needs in its cup over its own volume, and under vacuum. */
const HEADROOM = { still: 1.15, vacuum: 4 };

/** What a cup weighs empty where nobody weighed it, g for each mL it holds: a mixing cup of polypropylene. */
const CUP_G_PER_ML = 0.06;

/** What the cup itself puts on the scale, g. */
export const cupMassG = (cup: Of<'cup'> | null): number => cup?.massG ?? (cup?.volumeML ?? 0) * CUP_G_PER_ML;

/**
 * Picks the gear: what was chosen, else the finest scale that bears cup and batch, the smallest cup that fits, a
 * vessel whose inspection is not overdue.
 */
export function planGear(
  gear: readonly Gear[],
  form: PlanForm,
  liquidML: number,
  massG: number,
  route: Route,
  day: string,
): PlanGear {
  const neededML = liquidML * (isVacuumed(route) ? HEADROOM.vacuum : HEADROOM.still);
  const cup = chosen(
    gearOfKind(gear, 'cup'),
    form.cupCode,
    (all) =>
      by(
        all.filter((c) => (c.volumeML ?? 0) >= neededML),
        (c) => c.volumeML ?? Infinity,
      ) ?? by(all, (c) => -(c.volumeML ?? 0)),
  );
  const onScaleG = massG + cupMassG(cup);
  return {
    cup,
    scale: chosen(gearOfKind(gear, 'scale'), form.scaleCode, (all) =>
      by(
        all.filter((s) => s.stepG != null && (s.capacityG ?? Infinity) >= onScaleG),
        (s) => s.stepG ?? Infinity,
      ),
    ),
    vessel: chosen(gearOfKind(gear, 'pressure-vessel'), form.vesselCode, (all) =>
      by(
        all.filter((v) => !v.inspectionDue || v.inspectionDue >= day),
        (v) => -v.ratedKPa,
      ),
    ),
    compressor: chosen(gearOfKind(gear, 'compressor'), form.compressorCode, (all) =>
      by(all, (c) => -(c.freeAirLPerMin ?? 0)),
    ),
    pump: chosen(gearOfKind(gear, 'vacuum-pump'), form.pumpCode, (all) => by(all, (p) => p.ultimateKPaAbs ?? Infinity)),
    lamp: chosen(gearOfKind(gear, 'lamp'), form.lampCode, (all) => by(all, (l) => -(l.irradianceMWPerCM2 ?? 0))),
    hotBox: gearOfKind(gear, 'hot-box')[0] ?? null,
  };
}
