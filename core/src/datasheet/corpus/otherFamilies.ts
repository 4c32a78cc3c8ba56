import { SheetBuilder, write, type MadeUpSheet } from './sheetBuilder';

/** A polyester, with doses of catalyst. */
export function catalysed(name: string, low: number, high: number, gelMin: number): MadeUpSheet {
  return new SheetBuilder()
    .line(name)
    .line('Polyester casting resin')
    .gap()
    .prose(
      `${name} is cured with ${low} % to ${high} % of MEKP catalyst. Gel time with ${high} % catalyst at 20 °C, 100 g: ${gelMin} min. It contains styrene: ventilate, and keep flames away.`,
      {
        'ratio.catalyst.minPct': low,
        'ratio.catalyst.maxPct': high,
        'gel.minutes': gelMin,
        'gel.atC': 20,
        'gel.massG': 100,
        hazards: ['styrene'],
      },
    )
    .gap()
    .line('Viscosity: 480 mPa·s at 25 °C', { 'viscosity.mixedMPaS': 480, 'viscosity.atC': 25 })
    .line('Demould: 3 h', { 'demould.minutes': 180 })
    .line('Catalyst: density 1.16 g/ml, 28 drops per mL', {
      'ratio.catalyst.densityGPerML': 1.16,
      'ratio.catalyst.dropsPerML': 28,
    })
    .line('Volume shrinkage: 7 %')
    .line('Styrene content: 38 %')
    .end(name, 'catalysed', 'tab');
}

/** A polyester with its gel times at several doses in a table. */
export function gelTable(name: string, doses: readonly (readonly [pct: number, minutes: number])[]): MadeUpSheet {
  const sheet = new SheetBuilder().line(name).gap().row(['MEKP (%)', 'Gel time (min)']);
  doses.forEach(([pct, minutes], index) =>
    sheet.row([String(pct), String(minutes)], {
      [`ratio.catalyst.gel[${index}].pct`]: pct,
      [`ratio.catalyst.gel[${index}].minutes`]: minutes,
    }),
  );
  return sheet
    .gap()
    .line('Pour layers of 5 to 25 mm', { 'depth.minMm': 5, 'depth.maxMm': 25 })
    .line('Flash point 31 °C')
    .end(name, 'gel at doses', 'tab');
}

/** A light-cured resin: doses, no pot life. */
export function lightCured(name: string, dose: number, critical: number, depth: number): MadeUpSheet {
  return new SheetBuilder()
    .line(name)
    .line('Light-curing acrylate resin, one part')
    .row(['Viscosity at 25 °C', '320 cps'], { 'viscosity.mixedMPaS': 320, 'viscosity.atC': 25 })
    .row(['Curing dose (405 nm)', `${dose} mJ/cm²`], { 'light.doseMJPerCM2': dose })
    .row(['Critical energy', `${critical} mJ/cm²`], { 'light.criticalMJPerCM2': critical })
    .row(['Depth of penetration', `${depth} mm`], { 'light.penetrationMm': depth })
    .row(['Shore hardness', 'D 84'], { 'hardness.scale': 'D', 'hardness.value': 84 })
    .row(['Lamp distance', '5 cm'])
    .row(['Shelf life', write.days(0).text.replace('0 days', '1 year')], { 'shelf.unopenedMonths': 12 })
    .end(name, 'light-cured', 'spaces');
}

/** A water-based compound: liquid and powder. */
export function powdered(name: string, powder: number): MadeUpSheet {
  return new SheetBuilder()
    .line(name)
    .line('Water-based casting compound')
    .gap()
    .line(`Mix ratio liquid : powder 1 : ${powder} by weight`, {
      'ratio.powder.liquid': 1,
      'ratio.powder.powder': powder,
    })
    .line('Stir for 2 minutes and let stand 3 minutes', { 'mix.minMin': 2, 'mix.restMin': 3 })
    .line('Working time 25 min, demould after 90 min', { 'potLife.minutes': 25, 'demould.minutes': 90 })
    .line('Powder dust is harmful: wear a mask', { hazards: ['dust'] })
    .line('Bulk density of the powder 0.9 kg/l')
    .end(name, 'liquid and powder', 'tab');
}

/** A mould rubber with a vacuum to be drawn. */
export function rubber(name: string, parts: number, shoreA: number): MadeUpSheet {
  return new SheetBuilder()
    .line(name)
    .line('Silicone mould rubber, platinum cure')
    .gap()
    .line(`Mix 100 parts A to ${parts} parts B by weight`, { 'ratio.byWeight.a': 100, 'ratio.byWeight.b': parts })
    .line('Pot life 40 min at 23 °C, demould in 6 h', {
      'potLife.minutes': 40,
      'potLife.atC': 23,
      'demould.minutes': 360,
    })
    .line('Vacuum degas for 3 minutes at 29 inHg', {
      'degas.minutes': 3,
      'degas.vacuumKPaAbs': 101.325 - 29 * 3.386388640341,
    })
    .line(`Hardness ${shoreA} Shore A, tear strength 18 N/mm`, { 'hardness.value': shoreA, 'hardness.scale': 'A' })
    .line('Free of solvents; contains no styrene')
    .end(name, 'mould rubber', 'tab');
}
