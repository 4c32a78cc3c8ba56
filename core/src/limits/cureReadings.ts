import { minutesAt } from '../cure/equivalentAge';
import { expectedShore } from '../cure/hardness';
import { SHEET_TEMPERATURE_C } from '../cure/kineticsDefaults';
import type { Batch } from '../formats/batch';
import type { LimitReading } from '../formats/diagnosis';
import type { Product } from '../formats/product';
import type { Say } from '../units/wording';
import { cureTemperatureC } from './cureTemperature';
import { makeReading } from './reading';

/**
 * Two weighings some hours apart that differ by less than this are taken as dry: studio practice, not a card's limit.
 */
export const DRY_MASS_LOSS_PCT = 0.5;

/** A card's minutes at its temperature carried to the cure's, and whose figure that is. */
function carried(
  product: Product,
  minutes: number | null | undefined,
  atC: number | null | undefined,
  batch: Batch,
  say: Say,
) {
  const cureC = cureTemperatureC(batch);
  const cardC = atC ?? SHEET_TEMPERATURE_C;
  if (minutes == null) return { minutes: null, whose: 'the card' };
  if (cureC === null || cureC === cardC) return { minutes, whose: 'the card' };
  return {
    minutes: minutesAt(product, minutes, cureC, cardC),
    whose: `the card (${say(minutes, 'min')} at ${say(cardC, '°C')}), carried to ${say(cureC, '°C')},`,
  };
}

function layerReadings(product: Product, batch: Batch, say: Say): LimitReading[] {
  const { productSlug, family = null, massLossPct = null, hoursSince } = batch.layerBelow ?? {};
  const window = productSlug === product.slug ? product.recoat : null;
  const from = carried(product, window?.fromMin, window?.atC, batch, say);
  const until = carried(product, window?.untilMin, window?.atC, batch, say);
  const waterBased = family === 'mineral-acrylic' || (family === null && massLossPct !== null);
  return [
    makeReading(
      {
        field: 'layerBelow.hoursSince',
        measured: hoursSince,
        unit: 'h',
        whose: until.whose,
        low: from.minutes === null ? null : from.minutes / 60,
        high: until.minutes === null ? null : until.minutes / 60,
      },
      say,
    ),
    makeReading(
      {
        field: 'layerBelow.massLossPct',
        measured: massLossPct,
        high: waterBased ? DRY_MASS_LOSS_PCT : null,
        unit: '%',
        whose: waterBased ? 'studio practice, not the card,' : 'the card',
      },
      say,
    ),
  ];
}

function inclusionReadings(product: Product, batch: Batch, say: Say): LimitReading[] {
  return (batch.inclusions ?? []).map((inclusion, i) =>
    makeReading(
      {
        field: `inclusions[${i}].moisturePct`,
        measured: inclusion.moisturePct,
        high: product.inclusionMaxMoisturePct,
        unit: '%',
        note: inclusion.what ? `Inclusion: ${inclusion.what}.` : null,
      },
      say,
    ),
  );
}

function hardnessReadings(product: Product, batch: Batch, say: Say): LimitReading[] {
  const { value, tolerance, scale } = product.hardness ?? {};
  return (batch.checks ?? []).map((check, i) => {
    const cureC = cureTemperatureC(batch) ?? product.demould?.atC ?? SHEET_TEMPERATURE_C;
    const expected = expectedShore(product, check.afterH * 60, cureC);
    const stated = value != null && tolerance != null;
    return makeReading(
      {
        field: `checks[${i}].shore`,
        measured: check.shore,
        unit: `Shore ${scale ?? ''}`.trim(),
        low: stated ? (expected ?? value) - tolerance : null,
        high: stated ? value + tolerance : null,
        whose: expected === null ? 'the card' : `the card's hardness at this age (curve through demould and full cure)`,
      },
      say,
    );
  });
}

/** Mould, layers, inclusions, and what happened while it cured. */
export function cureReadings(product: Product, batch: Batch, say: Say): LimitReading[] {
  const demould = carried(product, product.demould?.minutes, product.demould?.atC, batch, say);
  const lightCured = product.family === 'uv-acrylate';
  return [
    makeReading(
      { field: 'mould.thinnestMm', measured: batch.mould?.thinnestMm, low: product.thinnestMm, unit: 'mm' },
      say,
    ),
    ...inclusionReadings(product, batch, say),
    ...layerReadings(product, batch, say),
    makeReading(
      {
        field: 'cure.temperatureC',
        measured: batch.cure?.temperatureC,
        low: product.room?.minC,
        high: product.room?.maxC,
        unit: '°C',
      },
      say,
    ),
    makeReading({ field: 'cure.peakC', measured: batch.cure?.peakC, high: product.exothermMaxC, unit: '°C' }, say),
    makeReading(
      {
        field: 'cure.demouldedMin',
        measured: batch.cure?.demouldedMin,
        low: demould.minutes,
        unit: 'min',
        whose: demould.whose,
      },
      say,
    ),
    makeReading(
      {
        field: 'cure.lightMJPerCM2',
        measured: batch.cure?.lightMJPerCM2,
        low: lightCured ? product.light?.doseMJPerCM2 : null,
        unit: 'mJ/cm²',
      },
      say,
    ),
    ...hardnessReadings(product, batch, say),
  ];
}
