import { SheetBuilder, withCommas, write, type MadeUpSheet, type Stated } from './sheetBuilder';
import type { SheetCard } from './sheetCards';

const title = (card: SheetCard, kind = 'Technical data sheet') =>
  new SheetBuilder()
    .line(card.name)
    .line(`${card.maker} - ${kind}, revision 4, 12/03/2025, page 1 of 2`)
    .gap()
    .prose(`${card.name} is a two-part ${card.words} for small studios. Sheet no. 118-20.`)
    .gap();

const weights = ({ ratio }: SheetCard): Stated => ({ 'ratio.byWeight.a': ratio[0], 'ratio.byWeight.b': ratio[1] });
const volumes = ({ ratio }: SheetCard): Stated => ({ 'ratio.byVolume.a': ratio[2], 'ratio.byVolume.b': ratio[3] });

/** Property, value, unit: each in a column of its own. */
export function valueAndUnit(card: SheetCard): MadeUpSheet {
  const { density, viscosity, pot, shore, depthMm } = card;
  return title(card)
    .row(['Property', 'Value', 'Unit'])
    .row(['Mix ratio A:B by weight', `${card.ratio[0]} : ${card.ratio[1]}`, 'parts'], weights(card))
    .row(['Density, mixed', String(density[2]), 'g/cm³'], { mixedDensityGPerML: density[2] })
    .row([`Mixed viscosity at ${viscosity[3]} °C`, String(viscosity[2]), 'mPa·s'], {
      'viscosity.mixedMPaS': viscosity[2],
      'viscosity.atC': viscosity[3],
    })
    .row([`Pot life (${pot[1]} g, ${pot[2]} °C)`, String(pot[0]), 'min'], {
      'potLife.minutes': pot[0],
      'potLife.massG': pot[1],
      'potLife.atC': pot[2],
    })
    .row(['Gel time', String(card.gelMin), 'min'], { 'gel.minutes': card.gelMin })
    .row(['Tack-free time', String(card.tackFreeMin), 'min'], { 'tackFree.minutes': card.tackFreeMin })
    .row(['Demoulding time', String(card.demouldMin / 60), 'h'], { 'demould.minutes': card.demouldMin })
    .row(['Full cure', String(card.cureH / 24), 'days'], { 'fullCure.hours': card.cureH })
    .row([`Hardness (Shore ${shore[0]})`, String(shore[1]), ''], {
      'hardness.scale': shore[0],
      'hardness.value': shore[1],
    })
    .row(['Maximum casting thickness', String(depthMm[1]), 'mm'], { 'depth.maxMm': depthMm[1] })
    .row(['Tensile strength', '62', 'MPa'])
    .row(['Elongation at break', '8', '%'])
    .row(['Flash point', '120', '°C'])
    .end(card.name, 'value and unit', 'tab');
}

/** Units between brackets behind the labels. */
export function unitInLabel(card: SheetCard): MadeUpSheet {
  const { density, viscosity, pot, roomC, pressKPa } = card;
  return title(card, 'Product information')
    .row(['Characteristic', 'Result'])
    .row(['Viscosity A (mPa·s)', String(viscosity[0])])
    .row(['Viscosity B (mPa·s)', String(viscosity[1])])
    .row([`Viscosity of the mix (mPa·s, ${viscosity[3]} °C)`, String(viscosity[2])], {
      'viscosity.mixedMPaS': viscosity[2],
      'viscosity.atC': viscosity[3],
    })
    .row(['Density part A (g/ml)', String(density[0])], { densityAGPerML: density[0] })
    .row(['Density part B (g/ml)', String(density[1])], { densityBGPerML: density[1] })
    .row(['Mixing ratio by volume', `${card.ratio[2]} : ${card.ratio[3]}`], volumes(card))
    .row([`Pot life at ${pot[2]} °C, ${pot[1]} g (min)`, String(pot[0])], {
      'potLife.minutes': pot[0],
      'potLife.massG': pot[1],
      'potLife.atC': pot[2],
    })
    .row(['Demould (hours)', String(card.demouldMin / 60)], { 'demould.minutes': card.demouldMin })
    .row(['Working temperature (°C)', `${roomC[0]} - ${roomC[1]}`], { 'room.minC': roomC[0], 'room.maxC': roomC[1] })
    .row(['Relative humidity (%)', `max. ${card.humidityPct}`], { 'room.maxHumidityPct': card.humidityPct })
    .row(['Casting pressure (kPa)', `${pressKPa[0]} - ${pressKPa[1]}`], {
      'pressure.minKPa': pressKPa[0],
      'pressure.maxKPa': pressKPa[1],
    })
    .row(['Water absorption (%)', '0.4'])
    .row(['Linear shrinkage (%)', '0.3'])
    .row(['Storage temperature (°C)', '10 - 30'])
    .end(card.name, 'unit in label', 'bar');
}

/** A column for each liquid and one for the mix. */
export function partsTable(card: SheetCard): MadeUpSheet {
  const { ratio, density, viscosity, pot, shore } = card;
  return title(card)
    .row(['', 'Part A', 'Part B', 'Mixed'])
    .row(['Density (g/cm³)', ...density.map(String)], {
      densityAGPerML: density[0],
      densityBGPerML: density[1],
      mixedDensityGPerML: density[2],
    })
    .row([`Viscosity, cps at ${viscosity[3]} °C`, ...viscosity.slice(0, 3).map(String)], {
      'viscosity.mixedMPaS': viscosity[2],
      'viscosity.atC': viscosity[3],
    })
    .row(['Parts by weight', String(ratio[0]), String(ratio[1]), ''], weights(card))
    .row(['Colour', 'clear', 'pale straw', 'clear'])
    .gap()
    .line('Processing')
    .row(['Pot life', `${pot[0]} min (${pot[1]} g at ${pot[2]} °C)`], {
      'potLife.minutes': pot[0],
      'potLife.massG': pot[1],
      'potLife.atC': pot[2],
    })
    .row(['Peak exotherm', `${card.peakC} °C (${pot[1]} g)`], {
      'exotherm.peakC': card.peakC,
      'exotherm.massG': pot[1],
    })
    .row(['Demould after', write.hours(card.demouldMin).text], { 'demould.minutes': card.demouldMin })
    .gap()
    .line('Cured properties')
    .row(['Density', '1.21 g/cm³'])
    .row(['Hardness', `${shore[1]} ± ${shore[2]} Shore ${shore[0]}`], {
      'hardness.scale': shore[0],
      'hardness.value': shore[1],
      'hardness.tolerance': shore[2],
    })
    .row(['Glass transition temperature', '58 °C'])
    .end(card.name, 'parts table', 'spaces');
}

/** Property, standard, value, in the units of one continent. */
export function withMethods(card: SheetCard): MadeUpSheet {
  const { viscosity, pot, shore, depthMm, pressKPa } = card;
  const [atF, depth] = [write.f(pot[2]), write.inch(depthMm[1])];
  const [low, high] = [write.psi(pressKPa[0]), write.psi(pressKPa[1])];
  return title(card, 'Technical bulletin')
    .row(['Property', 'Test method', 'Typical value'])
    .row(['Mixed viscosity', 'ASTM D-2393', write.cps(viscosity[2]).text], { 'viscosity.mixedMPaS': viscosity[2] })
    .row(['Specific gravity', 'ASTM D-1475', String(card.density[2])], { mixedDensityGPerML: card.density[2] })
    .row(['Pot life', 'ASTM D-2471', `${pot[0]} minutes (${pot[1]} g @ ${atF.text})`], {
      'potLife.minutes': pot[0],
      'potLife.massG': pot[1],
      'potLife.atC': atF.value,
    })
    .row(['Cure time', '', `${card.cureH} hours @ ${atF.text}`], {
      'fullCure.hours': card.cureH,
      'fullCure.atC': atF.value,
    })
    .row([`Shore ${shore[0]} hardness`, 'ASTM D-2240', String(shore[1])], {
      'hardness.scale': shore[0],
      'hardness.value': shore[1],
    })
    .row(['Tensile strength', 'ASTM D-638', '8,010 psi'])
    .row(['Elongation at break', 'ASTM D-638', '6 %'])
    .row(['Shrinkage (in./in.)', 'ASTM D-2566', '0.0025'])
    .row(['Heat deflection temperature', 'ASTM D-648', '122 °F'])
    .row(['Max. depth per pour', '', depth.text], { 'depth.maxMm': depth.value })
    .row(['Casting pressure', '', `${low.text.replace(' psi', '')}-${high.text}`], {
      'pressure.minKPa': low.value,
      'pressure.maxKPa': high.value,
    })
    .end(card.name, 'with methods', 'tab');
}

/** Decimal commas and points between thousands. */
export function commas(card: SheetCard): MadeUpSheet {
  const { ratio, density, viscosity, pot, depthMm } = card;
  const bar = write.bar(card.pressKPa[0]);
  return title(card, 'Data sheet')
    .row(['Mixing ratio by weight', withCommas(`${ratio[0]} : ${ratio[1]}`)], weights(card))
    .row(['Density A / B', withCommas(`${density[0]} / ${density[1]} g/cm³`)], {
      densityAGPerML: density[0],
      densityBGPerML: density[1],
    })
    .row([`Mixed viscosity (${viscosity[3]} °C)`, withCommas(`${viscosity[2]} mPa·s`)], {
      'viscosity.mixedMPaS': viscosity[2],
      'viscosity.atC': viscosity[3],
    })
    .row(['Pot life', withCommas(`${pot[0]} min, ${pot[1]} g, ${pot[2]} °C`)], {
      'potLife.minutes': pot[0],
      'potLife.massG': pot[1],
      'potLife.atC': pot[2],
    })
    .row(['Layer thickness', withCommas(`${depthMm[0]} - ${depthMm[1]} mm`)], {
      'depth.minMm': depthMm[0],
      'depth.maxMm': depthMm[1],
    })
    .row(['Cure under pressure', withCommas(`at least ${bar.text}`)], { 'pressure.minKPa': bar.value })
    .row(['Shelf life', `${card.shelfMonths[0]} months`], { 'shelf.unopenedMonths': card.shelfMonths[0] })
    .row(['Thermal conductivity', '0,21 W/(m·K)'])
    .row(['Packaging', '1,0 kg and 5,5 kg'])
    .end(card.name, 'decimal commas', 'tab');
}

/** Least, typical and most in columns. */
export function leastAndMost(card: SheetCard): MadeUpSheet {
  const { viscosity, roomC, humidityPct, loadingPct } = card;
  return title(card)
    .row(['Property', 'Min', 'Typical', 'Max', 'Unit'])
    .row(['Mixed viscosity', String(viscosity[2] - 50), String(viscosity[2]), String(viscosity[2] + 50), 'mPa·s'], {
      'viscosity.mixedMPaS': viscosity[2],
    })
    .row(['Room temperature', String(roomC[0]), '', String(roomC[1]), '°C'], {
      'room.minC': roomC[0],
      'room.maxC': roomC[1],
    })
    .row(['Relative humidity', '', '', String(humidityPct), '%'], { 'room.maxHumidityPct': humidityPct })
    .row(['Pigment paste', '', '', String(loadingPct[1]), '%'], { 'additives.kinds.pigment-paste': loadingPct[1] })
    .row(['Total additives', '', '', String(loadingPct[0]), '%'], { 'additives.totalMaxPct': loadingPct[0] })
    .end(card.name, 'least and most', 'tab');
}

/** Two products beside one another; one of them is asked for. */
export function productColumns(card: SheetCard, other: SheetCard): MadeUpSheet {
  const { pot, shore, density } = card;
  return new SheetBuilder()
    .line(`${card.maker} range overview`)
    .gap()
    .row(['Property', other.name, card.name])
    .row(
      ['Mix ratio by weight', `${other.ratio[0]}:${other.ratio[1]}`, `${card.ratio[0]}:${card.ratio[1]}`],
      weights(card),
    )
    .row(['Mixed density, g/cm³', String(other.density[2]), String(density[2])], { mixedDensityGPerML: density[2] })
    .row([`Pot life, min`, String(other.pot[0]), String(pot[0])], { 'potLife.minutes': pot[0] })
    .row(['Demould, h', String(other.demouldMin / 60), String(card.demouldMin / 60)], {
      'demould.minutes': card.demouldMin,
    })
    .row(['Hardness', `${other.shore[1]} Shore ${other.shore[0]}`, `${shore[1]} Shore ${shore[0]}`], {
      'hardness.scale': shore[0],
      'hardness.value': shore[1],
    })
    .row(['Flexural strength, MPa', '70', '88'])
    .gap()
    .prose(`Shelf life of all grades: ${card.shelfMonths[0]} months unopened at 10-25 °C.`, {
      'shelf.unopenedMonths': card.shelfMonths[0],
    })
    .end(card.name, 'products in columns', 'tab', card.name);
}

/** A row for each product, the properties over the columns. */
export function productRows(card: SheetCard, others: readonly SheetCard[]): MadeUpSheet {
  const row = (c: SheetCard) => [
    c.name,
    `${c.ratio[2]}:${c.ratio[3]}`,
    String(c.pot[0]),
    String(c.demouldMin / 60),
    String(c.depthMm[1]),
  ];
  const sheet = new SheetBuilder()
    .line(`${card.maker}: selection guide`)
    .gap()
    .row(['Product', 'Mix ratio by volume', 'Pot life (min)', 'Demould (h)', 'Max. depth (mm)']);
  for (const other of others) sheet.row(row(other));
  return sheet
    .row(row(card), {
      ...volumes(card),
      'potLife.minutes': card.pot[0],
      'demould.minutes': card.demouldMin,
      'depth.maxMm': card.depthMm[1],
    })
    .end(card.name, 'products in rows', 'tab', card.name);
}

/** Pot life at several temperatures; all can be right. */
export function byTemperature(card: SheetCard): MadeUpSheet {
  const [minutes] = card.pot;
  return title(card)
    .row(['Temperature', '15 °C', '23 °C', '30 °C'])
    .row(['Pot life (min)', String(minutes * 2), String(minutes), String(minutes / 2)], {
      'potLife.minutes': minutes,
      'potLife.atC': 23,
    })
    .gap()
    .row(['Mixed density', `${card.density[2]} kg/l`], {
      mixedDensityGPerML: card.density[2],
    })
    .row(['Demould time', `${card.demouldMin / 60} h at 23 °C`], {
      'demould.minutes': card.demouldMin,
      'demould.atC': 23,
    })
    .end(card.name, 'by temperature', 'tab');
}
