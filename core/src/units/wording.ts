import { STORED_UNITS, decimalsFor, fromStored, quantityOfStoredUnit, unitFor, type UnitChoice } from './quantities';

/** Turns a stored figure into words in the units people chose: `say(17.5, '°C')` gives `17.5 °C` or `63.5 °F`. */
export type Say = (value: number, storedUnit: string) => string;

const trim = (value: number, decimals: number) => {
  const text = value.toFixed(decimals);
  let end = text.length;
  if (text.includes('.')) {
    while (text[end - 1] === '0') end -= 1;
    if (text[end - 1] === '.') end -= 1;
  }
  const trimmed = text.slice(0, end);
  if (!trimmed.startsWith('-')) return trimmed;
  return trimmed === '-0' ? '0' : `−${trimmed.slice(1)}`;
};

/** Minutes as a person says them: `45 s`, `9.2 min`, `3 h 20 min`, `5 days`. */
export function sayMinutes(minutes: number): string {
  if (minutes < 0) return `−${sayMinutes(-minutes)}`;
  if (minutes > 0 && minutes < 1) return `${Math.round(minutes * 60)} s`;
  if (minutes < 120) return `${trim(minutes, minutes < 20 ? 1 : 0)} min`;
  if (minutes >= 4 * 1440) return `${trim(minutes / 1440, 1)} days`;
  const whole = Math.round(minutes);
  const rest = whole % 60;
  return rest === 0 ? `${whole / 60} h` : `${Math.floor(whole / 60)} h ${rest} min`;
}

/** Units that are words, where there is one of them. */
const ONE_OF: Readonly<Record<string, string>> = { months: 'month', days: 'day' };

const sayPlain = (value: number, storedUnit: string) => {
  if (storedUnit === 'min') return sayMinutes(value);
  if (storedUnit === 'h') return sayMinutes(value * 60);
  const figure = trim(value, Math.abs(value) < 10 ? 2 : 1);
  const unit = figure === '1' ? (ONE_OF[storedUnit] ?? storedUnit) : storedUnit;
  return `${figure} ${unit}`.trim();
};

/**
 * A formatter for sentences in the chosen units.
 * @example wordsIn(STORED_UNITS)(300, 'kPa') // '300 kPa'
 */
export function wordsIn(choice: UnitChoice = STORED_UNITS): Say {
  return (value, storedUnit) => {
    const quantity = quantityOfStoredUnit(storedUnit);
    if (!quantity) return sayPlain(value, storedUnit);
    const name = unitFor(quantity, choice);
    const shown = fromStored(quantity, value, name);
    // A bubble of a third of a millimetre, a dye of a twentieth of a gram: one figure more below one.
    return `${trim(shown, decimalsFor(quantity, name) + (Math.abs(shown) < 1 ? 1 : 0))} ${name}`;
  };
}
