import { SheetBuilder, write, type MadeUpSheet } from './sheetBuilder';
import type { SheetCard } from './sheetCards';

const hazards = (card: SheetCard) => ({ hazards: card.hazards });
const SUBSTANCE: Readonly<Record<string, string>> = { isocyanate: 'isocyanates', 'epoxy-amine': 'polyamines' };
const substance = (card: SheetCard) => SUBSTANCE[card.hazards[0] ?? ''] ?? 'irritants';

/** A label, a colon and a figure on each line. */
export function labelled(card: SheetCard): MadeUpSheet {
  const { ratio, viscosity, pot, shore, pressKPa } = card;
  return new SheetBuilder()
    .line(`${card.name.toUpperCase()} - ${card.words}`)
    .line('Tel. 0555 0142, order no. 7-2210')
    .gap()
    .line(`Mix ratio: ${ratio[0]}A:${ratio[1]}B by weight`, {
      'ratio.byWeight.a': ratio[0],
      'ratio.byWeight.b': ratio[1],
    })
    .line(`Viscosity of the mixture: ${write.paS(viscosity[2]).text} at ${viscosity[3]} °C`, {
      'viscosity.mixedMPaS': write.paS(viscosity[2]).value,
      'viscosity.atC': viscosity[3],
    })
    .line(`Pot life: ${pot[0]} min (${pot[1]} g, ${pot[2]} °C)`, {
      'potLife.minutes': pot[0],
      'potLife.massG': pot[1],
      'potLife.atC': pot[2],
    })
    .line(`Gel time: ${card.gelMin} min at ${pot[2]} °C`, { 'gel.minutes': card.gelMin, 'gel.atC': pot[2] })
    .line(`Tack free: ${write.h(card.tackFreeMin).text}`, { 'tackFree.minutes': write.h(card.tackFreeMin).value })
    .line(`Demould: ${write.h(card.demouldMin).text}`, { 'demould.minutes': card.demouldMin })
    .line(`Full cure: ${write.days(card.cureH).text}`, { 'fullCure.hours': card.cureH })
    .line(`Hardness: Shore ${shore[0]} ${shore[1]}`, { 'hardness.scale': shore[0], 'hardness.value': shore[1] })
    .line(`Pressure casting: ${pressKPa[0]} to ${pressKPa[1]} kPa, hold for ${pressKPa[2]} min`, {
      'pressure.minKPa': pressKPa[0],
      'pressure.maxKPa': pressKPa[1],
      'pressure.holdMin': pressKPa[2],
    })
    .line(`Shelf life: ${card.shelfMonths[0]} months unopened, ${card.shelfMonths[1]} months once opened`, {
      'shelf.unopenedMonths': card.shelfMonths[0],
      'shelf.openedMonths': card.shelfMonths[1],
    })
    .line('Storage: 10 to 25 °C, dry')
    .line(`Hazards: contains ${substance(card)}. Wear gloves.`, hazards(card))
    .end(card.name, 'label and colon', 'tab');
}

/** Dots lead from the label to the figure; units of one continent. */
export function dotted(card: SheetCard): MadeUpSheet {
  const { viscosity, pot, depthMm, roomC } = card;
  const [mass, at, depth, peak] = [write.lb(pot[1]), write.f(pot[2]), write.inch(depthMm[1]), write.f(card.peakC)];
  const [low, high] = [write.f(roomC[0]), write.f(roomC[1])];
  return new SheetBuilder()
    .line(card.name)
    .line('TYPICAL PROPERTIES')
    .row(['Mixed viscosity', `${write.cps(viscosity[2]).text} @ 77°F`], {
      'viscosity.mixedMPaS': viscosity[2],
      'viscosity.atC': 25,
    })
    .row(['Specific gravity (mixed)', String(card.density[2])], { mixedDensityGPerML: card.density[2] })
    .row(['Working time', `${pot[0]} minutes, ${mass.text} mass, ${at.text}`], {
      'potLife.minutes': pot[0],
      'potLife.massG': mass.value,
      'potLife.atC': at.value,
    })
    .row(['Demold time', write.hours(card.demouldMin).text], { 'demould.minutes': card.demouldMin })
    .row(['Peak exotherm', `${peak.text} (${mass.text})`], {
      'exotherm.peakC': peak.value,
      'exotherm.massG': mass.value,
    })
    .row(['Maximum pour depth', depth.text], { 'depth.maxMm': depth.value })
    .row(['Working temperature', `${low.text.replace(' °F', '')} - ${high.text}`], {
      'room.minC': low.value,
      'room.maxC': high.value,
    })
    .row(['Mix ratio by volume', `${card.ratio[2]}A : ${card.ratio[3]}B`], {
      'ratio.byVolume.a': card.ratio[2],
      'ratio.byVolume.b': card.ratio[3],
    })
    .row(['Compressive strength', '9,500 psi'])
    .row(['Coverage', '12 sq ft per gal at 1/8 in'])
    .end(card.name, 'dotted', 'dots');
}

/** Running text in the units of most places. */
export function running(card: SheetCard): MadeUpSheet {
  const { ratio, pot, depthMm, roomC, loadingPct } = card;
  return new SheetBuilder()
    .line(card.name)
    .gap()
    .prose(
      `${card.name} is a ${card.words}. Mix ${ratio[0]} parts by weight of Part A with ${ratio[1]} parts by weight of Part B and stir for 3 minutes, scraping the sides. The mixture contains ${substance(card)}; wear gloves and keep the room ventilated.`,
      { 'ratio.byWeight.a': ratio[0], 'ratio.byWeight.b': ratio[1], 'mix.minMin': 3, ...hazards(card) },
    )
    .gap()
    .prose(
      `The pot life of a ${pot[1]} g mass at ${pot[2]} °C is ${pot[0]} minutes. Larger amounts react faster. Castings can be demoulded after ${write.hours(card.demouldMin).text} and reach full cure after ${write.days(card.cureH).text}.`,
      {
        'potLife.minutes': pot[0],
        'potLife.massG': pot[1],
        'potLife.atC': pot[2],
        'demould.minutes': card.demouldMin,
        'fullCure.hours': card.cureH,
      },
    )
    .gap()
    .prose(
      `Work between ${roomC[0]} and ${roomC[1]} °C and below ${card.humidityPct} % relative humidity. The maximum casting depth is ${depthMm[1]} mm. Total additives should not exceed ${loadingPct[0]} % by weight, of which mica no more than ${loadingPct[2]} %. Castings resist 60 °C after a post-cure of 4 hours at 80 °C.`,
      {
        'room.minC': roomC[0],
        'room.maxC': roomC[1],
        'room.maxHumidityPct': card.humidityPct,
        'depth.maxMm': depthMm[1],
        'additives.basis': 'weight',
        'additives.totalMaxPct': loadingPct[0],
        'additives.kinds.mica': loadingPct[2],
      },
    )
    .end(card.name, 'running text', 'tab');
}

/** Running text in the units of one continent. */
export function runningElsewhere(card: SheetCard): MadeUpSheet {
  const { ratio, pot, depthMm, pressKPa, shelfMonths } = card;
  const [at, depth] = [write.f(pot[2]), write.inch(depthMm[1])];
  const [low, high] = [write.psi(pressKPa[0]), write.psi(pressKPa[1])];
  return new SheetBuilder()
    .line(`${card.name} ${card.words}`)
    .gap()
    .prose(
      `Combine Part A and Part B at a ratio of ${ratio[2]}:${ratio[3]} by vol. and mix thoroughly. At ${at.text} you have about ${pot[0]} minutes of working time. Pour up to ${depth.text} deep. For bubble-free castings use a pressure pot at ${low.text.replace(' psi', '')} to ${high.text} for ${pressKPa[2]} minutes.`,
      {
        'ratio.byVolume.a': ratio[2],
        'ratio.byVolume.b': ratio[3],
        'potLife.minutes': pot[0],
        'potLife.atC': at.value,
        'depth.maxMm': depth.value,
        'pressure.minKPa': low.value,
        'pressure.maxKPa': high.value,
        'pressure.holdMin': pressKPa[2],
      },
    )
    .gap()
    .prose(
      `Demold in ${write.hours(card.demouldMin).text}. Unopened containers keep for ${shelfMonths[0]} months; once opened, use within ${shelfMonths[1]} months. Store at 60 to 80 °F. Clean tools with acetone within 10 minutes.`,
      {
        'demould.minutes': card.demouldMin,
        'shelf.unopenedMonths': shelfMonths[0],
        'shelf.openedMonths': shelfMonths[1],
      },
    )
    .end(card.name, 'running text elsewhere', 'tab');
}

/** The label on one line, the figure on the next. */
export function stacked(card: SheetCard): MadeUpSheet {
  const { pot, viscosity, density } = card;
  return new SheetBuilder()
    .line(card.name)
    .gap()
    .line('MIX RATIO')
    .line(`${card.ratio[0]}:${card.ratio[1]} by weight`, {
      'ratio.byWeight.a': card.ratio[0],
      'ratio.byWeight.b': card.ratio[1],
    })
    .gap()
    .line('POT LIFE')
    .line(`${pot[0]} min (${pot[1]} g @ ${pot[2]} °C)`, {
      'potLife.minutes': pot[0],
      'potLife.massG': pot[1],
      'potLife.atC': pot[2],
    })
    .gap()
    .line('MIXED VISCOSITY')
    .line(`${viscosity[2]} cP`, { 'viscosity.mixedMPaS': viscosity[2] })
    .gap()
    .line('SPECIFIC GRAVITY')
    .line(String(density[2]), { mixedDensityGPerML: density[2] })
    .gap()
    .line('DEMOULD TIME')
    .line(`${card.demouldMin / 60} - ${card.demouldMin / 30} hours`, { 'demould.minutes': card.demouldMin * 2 })
    .gap()
    .line('STORAGE TEMPERATURE')
    .line('15 - 30 °C')
    .end(card.name, 'label above', 'tab');
}

/** Every figure twice, in two systems of units. */
export function twice(card: SheetCard): MadeUpSheet {
  const { viscosity, pot, roomC, depthMm, pressKPa } = card;
  const both = (first: string, second: string) => `${first} (${second})`;
  return new SheetBuilder()
    .line(card.name)
    .line(`Properties at 23 °C (73 °F)`)
    .row(['Mixed viscosity', both(write.cps(viscosity[2]).text, `${viscosity[2]} mPa·s`)], {
      'viscosity.mixedMPaS': viscosity[2],
      'viscosity.atC': 23,
    })
    .row(['Pot life', `${pot[0]} min, ${both(`${pot[1]} g`, write.lb(pot[1]).text)}`], {
      'potLife.minutes': pot[0],
      'potLife.massG': pot[1],
      'potLife.atC': 23,
    })
    .row(['Maximum layer thickness', both(write.mm(depthMm[1]).text, write.inch(depthMm[1]).text)], {
      'depth.maxMm': depthMm[1],
    })
    .row(
      [
        'Pressure',
        both(
          `${pressKPa[0]} - ${pressKPa[1]} kPa`,
          `${Math.round(pressKPa[0] / 6.895)} - ${Math.round(pressKPa[1] / 6.895)} psi`,
        ),
      ],
      {
        'pressure.minKPa': pressKPa[0],
        'pressure.maxKPa': pressKPa[1],
      },
    )
    .row(
      [
        'Application temperature',
        both(`${roomC[0]} - ${roomC[1]} °C`, `${write.f(roomC[0]).text} - ${write.f(roomC[1]).text}`),
      ],
      {
        'room.minC': roomC[0],
        'room.maxC': roomC[1],
      },
    )
    .end(card.name, 'two systems', 'spaces');
}

/** Blocks of several products, one under another; one is asked for. */
export function blocks(card: SheetCard, other: SheetCard): MadeUpSheet {
  const block = (sheet: SheetBuilder, c: SheetCard, isAsked: boolean) => {
    const stated = {
      'ratio.byWeight.a': c.ratio[0],
      'ratio.byWeight.b': c.ratio[1],
      'potLife.minutes': c.pot[0],
      'demould.minutes': c.demouldMin,
    };
    return sheet
      .line(`Product: ${c.name}`)
      .line(`Ratio ${c.ratio[0]} : ${c.ratio[1]} by weight`)
      .line(`Pot life ${c.pot[0]} min`)
      .line(`Demould ${c.demouldMin / 60} h`, isAsked ? stated : {})
      .gap();
  };
  const sheet = new SheetBuilder().line(`${card.maker} casting range`).gap();
  block(block(sheet, other, false), card, true);
  return sheet.end(card.name, 'blocks', 'tab', card.name);
}

/** Two pot lives of one mass, which cannot both be right, and two gel times at two masses, which can. */
export function contradictory(card: SheetCard): MadeUpSheet {
  const [minutes, massG, atC] = card.pot;
  return new SheetBuilder()
    .line(card.name)
    .gap()
    .line(`Pot life (${massG} g, ${atC} °C): ${minutes} min`)
    .line(`Gel time: ${card.gelMin} min (${massG} g, ${atC} °C)`, {
      'gel.minutes': card.gelMin,
      'gel.massG': massG,
      'gel.atC': atC,
    })
    .line(`Gel time: ${card.gelMin / 2} min (${massG * 5} g, ${atC} °C)`)
    .gap()
    .prose(`In practice the pot life of ${massG} g at ${atC} °C is ${minutes * 2} minutes.`, {
      'potLife.minutes': minutes,
      'potLife.massG': massG,
      'potLife.atC': atC,
    })
    .clash('potLife.minutes')
    .end(card.name, 'contradictory', 'tab');
}
