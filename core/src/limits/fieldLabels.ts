/** The field's standard words for every path a limit reading or a question may carry. */
const LABELS: Record<string, string> = {
  'room.temperatureC': 'Room',
  'room.humidityPct': 'Room damp',
  'air.dewPointSpreadK': 'Above dew point',
  'resin.temperatureAC': 'Part A before mixing',
  'resin.temperatureBC': 'Part B before mixing',
  'resin.atPourC': 'Resin at pour',
  'resin.warming': 'Resin warmed by',
  'mix.ratioErrorPct': 'Ratio, B for A',
  'mix.catalystPct': 'Catalyst',
  'mix.stirMin': 'Stir',
  'mix.scrapedWalls': 'Wall and bottom scraped',
  'mix.secondCup': 'Second cup',
  'mix.tool': 'Stirrer',
  'mix.amountA': 'Amount of A',
  'mix.amountB': 'Amount of B',
  'mix.scaleStepG': 'Scale step',
  'additives.totalPct': 'Loading, total',
  'degas.minutes': 'Degas time',
  'degas.vacuumKPaAbs': 'Vacuum',
  'degas.method': 'Degas method',
  'pour.startedMin': 'Pour began',
  'pour.finishedMin': 'Pour ended',
  'pour.depthMm': 'Depth of pour',
  'pour.scrapedCup': 'Cup scraped out',
  'pour.leftG': 'Left in the cup',
  'pressure.gaugeKPa': 'Pressure',
  'pressure.reachedMin': 'Full pressure at',
  'pressure.releasedMin': 'Pressure let go at',
  'mould.thinnestMm': 'Thinnest section',
  'layerBelow.hoursSince': 'Since the layer below',
  'layerBelow.massLossPct': 'Layer below, last mass loss',
  'cure.temperatureC': 'Cure temperature',
  'cure.peakC': 'Peak exotherm',
  'cure.demouldedMin': 'Demoulded at',
  'cure.lightMJPerCM2': 'Light dose',
  'lotA.openedOn': 'Lot A, open for',
  'lotB.openedOn': 'Lot B, open for',
  'lotA.useBy': 'Lot A, use by',
  'lotB.useBy': 'Lot B, use by',
  'light.stable': 'Light stability',
  'lotA.colour': 'Lot A, colour',
  'lotB.colour': 'Lot B, colour',
  'mix.vigour': 'How it was stirred',
  'mix.shaken': 'Shaken',
  'pour.tilted': 'Mould tilted',
  'pour.fast': 'Poured fast',
  'pour.flame': 'Flame or hot air',
  'pour.releaseMist': 'Release mist',
  'mould.rubber': 'Mould rubber',
  'mould.degassed': 'Mould degassed',
  'mould.finish': 'Mould finish',
  'mould.clean': 'Mould clean',
  'mould.pulls': 'Pulls of the mould',
  'mould.code': 'This mould before',
  'mould.contacts': 'What it touched',
  'mould.temperatureC': 'Mould',
  'cure.film': 'Film or wax over it',
  'cure.covered': 'Covered',
  'layerBelow.sanded': 'Layer below sanded',
  'layerBelow.wiped': 'Layer below wiped',
  'mould.sealed': 'Seams and edges sealed',
  'mould.volumeML': 'What the cavities hold',
  'pour.levelLostMm': 'Level fell before gel',
  'mix.stirAfterColourMin': 'Stirred after the colour',
  'base.kind': 'What it lies on',
  'base.sealed': 'Base sealed',
  readings: 'Readings of the gauge',
  'layerBelow.family': 'Layer below',
  'checks[].afterH': 'When it was seen',
  'checks[].shore': 'Second hardness reading',
  'additives[].kind': 'What was mixed in',
  additives: 'Colour and fill',
  waxed: 'Wax in the product',
};

const INCLUSION_WORDS: Readonly<Record<string, string>> = {
  what: 'with this resin before',
  laid: 'laid in before or after the pour',
  moved: 'moved under the resin',
};

/** The word people use for a field, such as `room.temperatureC`; indexed and per-kind fields are worded from their parts. */
export function fieldLabel(field: string): string {
  const test = /^quickTests\.(.+)$/.exec(field)?.[1];
  if (test) return `Test: ${test.replaceAll('-', ' ')}`;
  const treated = /^inclusions\[(\d*)\]\.(treated|what|sealed|kind|laid|moved)$/.exec(field);
  if (treated)
    return `Inclusion${treated[1] ? ` ${Number(treated[1]) + 1}` : ''}, ${INCLUSION_WORDS[treated[2] ?? ''] ?? treated[2]}`;
  if (/^additives\[\d+\]\.applied$/.test(field)) return 'How the colour went on';
  const looked = /^checks\[(\d+)\]\.afterH$/.exec(field)?.[1];
  if (looked) return `Check ${Number(looked) + 1}, when it was seen`;
  const known = LABELS[field];
  if (known) return known;
  const kind = /^additives\.(.+)\.pct$/.exec(field)?.[1];
  if (kind) return `Loading, ${kind.replaceAll('-', ' ')}`;
  const inclusion = /^inclusions\[(\d+)\]\.moisturePct$/.exec(field)?.[1];
  if (inclusion) return `Inclusion ${Number(inclusion) + 1}, moisture`;
  const check = /^checks\[(\d+)\]\.shore$/.exec(field)?.[1];
  if (check) return `Check ${Number(check) + 1}, hardness`;
  return field;
}
