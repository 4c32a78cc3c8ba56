/** A unit people use at the bench, tied to the stored unit by `shown = stored · factor + offset`. */
interface Unit {
  readonly factor: number;
  readonly offset: number;
  readonly decimals: number;
}

const unit = (factor: number, decimals: number, offset = 0): Unit => ({ factor, offset, decimals });

/**
 * Exact by definition: 1 psi = 6.894757293168 kPa, 1 oz = 28.349523125 g,
 * 1 US fl oz = 29.5735295625 mL, 1 in = 25.4 mm, 1 in² = 6.4516 cm².
 */
export const QUANTITIES = {
  temperature: { stored: '°C', units: { '°C': unit(1, 1), '°F': unit(1.8, 1, 32) } },
  temperatureDifference: { stored: 'K', units: { '°C': unit(1, 1), '°F': unit(1.8, 1) } },
  pressure: { stored: 'kPa', units: { kPa: unit(1, 0), psi: unit(1 / 6.894757293168, 1), bar: unit(0.01, 2) } },
  mass: { stored: 'g', units: { g: unit(1, 1), oz: unit(1 / 28.349523125, 3) } },
  volume: { stored: 'mL', units: { mL: unit(1, 1), 'fl oz': unit(1 / 29.5735295625, 3) } },
  length: { stored: 'mm', units: { mm: unit(1, 1), in: unit(1 / 25.4, 3) } },
  area: { stored: 'cm²', units: { 'cm²': unit(1, 1), 'in²': unit(1 / 6.4516, 2) } },
} as const satisfies Record<string, { stored: string; units: Record<string, Unit> }>;

export type Quantity = keyof typeof QUANTITIES;

/** One unit chosen for each kind of quantity. */
export interface UnitChoice {
  readonly temperature: keyof (typeof QUANTITIES)['temperature']['units'];
  readonly pressure: keyof (typeof QUANTITIES)['pressure']['units'];
  readonly mass: keyof (typeof QUANTITIES)['mass']['units'];
  readonly volume: keyof (typeof QUANTITIES)['volume']['units'];
  readonly length: keyof (typeof QUANTITIES)['length']['units'];
}

export const STORED_UNITS: UnitChoice = { temperature: '°C', pressure: 'kPa', mass: 'g', volume: 'mL', length: 'mm' };

/** The unit in which `quantity` is shown under this choice. A difference follows the temperature, an area the length. */
export function unitFor(quantity: Quantity, choice: UnitChoice): string {
  if (quantity === 'area') return choice.length === 'in' ? 'in²' : 'cm²';
  return choice[quantity === 'temperatureDifference' ? 'temperature' : quantity];
}

function unitOf(quantity: Quantity, name: string): Unit {
  const units: Record<string, Unit> = QUANTITIES[quantity].units;
  const found = units[name];
  if (!found) throw new RangeError(`${quantity} has no unit "${name}"`);
  return found;
}

/**
 * A stored value in the unit people chose.
 * @param value in the stored unit of `quantity` (°C, K, kPa, g, mL, mm)
 * @throws RangeError for a unit that this quantity does not have
 * @example fromStored('temperature', 20, '°F') // 68
 */
export function fromStored(quantity: Quantity, value: number, unitName: string): number {
  const { factor, offset } = unitOf(quantity, unitName);
  return value * factor + offset;
}

/**
 * The inverse of `fromStored`.
 * @example toStored('temperature', 68, '°F') // 20
 */
export function toStored(quantity: Quantity, shown: number, unitName: string): number {
  const { factor, offset } = unitOf(quantity, unitName);
  return (shown - offset) / factor;
}

/** Digits after the point that a bench instrument in this unit resolves. */
export function decimalsFor(quantity: Quantity, unitName: string): number {
  return unitOf(quantity, unitName).decimals;
}

/** The quantity whose stored unit this is, or undefined where a unit is not converted (%, min, h, months). */
export const quantityOfStoredUnit = (storedUnit: string): Quantity | undefined => BY_STORED_UNIT.get(storedUnit);

const BY_STORED_UNIT = new Map<string, Quantity>(
  (Object.keys(QUANTITIES) as Quantity[]).map((q) => [QUANTITIES[q].stored, q]),
);
