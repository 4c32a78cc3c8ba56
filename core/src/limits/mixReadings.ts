import type { Batch } from '../formats/batch';
import type { LimitReading } from '../formats/diagnosis';
import type { Product } from '../formats/product';
import { batchRatioErrorPct, catalystPct, hasFixedRatio } from '../mixing/batchAmounts';
import { loadings, type Loading } from '../mixing/loading';
import { SIGNATURE_WORDS, ratioSignature } from '../mixing/ratioSignature';
import type { Say } from '../units/wording';
import { makeReading } from './reading';

function ratioReadings(product: Product, batch: Batch, say: Say): LimitReading[] {
  const readings: LimitReading[] = [];
  if (hasFixedRatio(product) || !product.ratio.catalyst) {
    const tolerance = product.ratio.tolerancePct;
    const signature = ratioSignature(product, batch);
    readings.push(
      makeReading(
        {
          field: 'mix.ratioErrorPct',
          measured: batchRatioErrorPct(product, batch),
          unit: '%',
          low: tolerance == null ? null : -tolerance,
          high: tolerance,
          note: signature && `It fits a known slip: ${SIGNATURE_WORDS[signature]}.`,
        },
        say,
      ),
    );
  }
  if (product.ratio.catalyst) {
    const { minPct, maxPct } = product.ratio.catalyst;
    readings.push(
      makeReading(
        { field: 'mix.catalystPct', measured: catalystPct(product, batch), low: minPct, high: maxPct, unit: '%' },
        say,
      ),
    );
  }
  return readings;
}

/** What is known of a loading: a sum that is incomplete only tells something once it is already over. */
function knownPct(loading: Loading | undefined, high: number | null | undefined): number | null {
  if (!loading || loading.pct === null) return null;
  return loading.complete || (high != null && loading.pct > high) ? loading.pct : null;
}

function additiveReadings(product: Product, batch: Batch, say: Say): LimitReading[] {
  const load = loadings(product, batch);
  const total = product.additives?.totalMaxPct;
  const incomplete =
    load && !load.total.complete ? 'Some of it has no known amount, such as drops that were never weighed.' : null;
  const readings = [
    makeReading(
      { field: 'additives.totalPct', measured: knownPct(load?.total, total), high: total, unit: '%', note: incomplete },
      say,
    ),
  ];
  for (const [kind, loading] of load?.kinds ?? []) {
    const refused = product.additives?.refused?.includes(kind) ?? false;
    const high = refused ? 0 : product.additives?.kinds?.[kind];
    readings.push(
      makeReading(
        {
          field: `additives.${kind}.pct`,
          measured: knownPct(loading, high),
          high,
          unit: '%',
          note: refused ? 'The card refuses this kind altogether.' : null,
        },
        say,
      ),
    );
  }
  return readings;
}

/** Ratio or catalyst, loading in total and by kind, and the stir. */
export function mixReadings(product: Product, batch: Batch, say: Say): LimitReading[] {
  return [
    ...ratioReadings(product, batch, say),
    ...additiveReadings(product, batch, say),
    makeReading({ field: 'mix.stirMin', measured: batch.mix?.stirMin, low: product.mix?.minMin, unit: 'min' }, say),
  ];
}
