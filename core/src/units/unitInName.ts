/** Endings of the open formats' field names, longest first, with the unit each stands for. */
const ENDINGS: readonly (readonly [ending: string, unit: string])[] = [
  ['MJPerCM2', 'mJ/cm²'],
  ['GPerML', 'g/mL'],
  ['KPaAbs', 'kPa'],
  ['humidityPct', '% RH'],
  ['minutes', 'min'],
  ['MPaS', 'mPa·s'],
  ['KPa', 'kPa'],
  ['CM2', 'cm²'],
  ['Pct', '%'],
  ['Min', 'min'],
  ['Mm', 'mm'],
  ['ML', 'mL'],
  ['C', '°C'],
  ['G', 'g'],
  ['H', 'h'],
  ['K', 'K'],
];

/**
 * The stored unit that a field's name ends with; empty where it has none.
 * @param field dotted name, such as `room.temperatureC`
 * @example unitInName('room.temperatureC') // '°C'
 */
export function unitInName(field: string): string {
  const name = /[^.[\]]+$/.exec(field)?.[0] ?? field;
  return (
    ENDINGS.find(
      ([ending]) => name.endsWith(ending) && (name === ending || /[a-z0-9]$/.test(name.slice(0, -ending.length))),
    )?.[1] ?? ''
  );
}
