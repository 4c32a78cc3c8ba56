import type { Worked } from './worked';

/** What was mixed, cleared, pressed and heated. */
export const MIX_AND_AIR: readonly Worked[] = [
  {
    because: 'an epoxy with the 2:1 volume ratio weighed out has 14 % too much hardener, far over 3 %, and never gets hard',
    slug: 'house-deep-40', record: { mix: { amountA: 200, amountB: 100 } },
    seen: { kind: 'soft', pattern: 'all-over', afterH: 240 }, first: 'ratio-off', atLeast: 0.8,
  },
  {
    because: 'part B forgotten in a second cup: nothing sets at all',
    slug: 'house-clear-6', record: { mix: { amountA: 110, amountB: 0 } },
    seen: { kind: 'tacky', pattern: 'liquid' }, first: 'ratio-off', atLeast: 0.85,
  },
  {
    because: 'hardener dosed twice in a coating epoxy leaves it gummy everywhere',
    slug: 'house-coat-9', record: { mix: { amountA: 100, amountB: 172 } },
    seen: { kind: 'tacky', pattern: 'tacky-all-over', afterH: 48 }, first: 'ratio-off', atLeast: 0.8,
  },
  {
    because: 'a 2 g scale for 20 g of epoxy can be 17 % off without anyone seeing it in the weights',
    slug: 'house-deep-40', record: { mix: { amountA: 14, amountB: 6, scaleStepG: 2 } },
    seen: { kind: 'tacky', pattern: 'liquid', afterH: 96 }, first: 'ratio-off', atLeast: 0.5,
  },
  {
    because: 'one minute of stirring where the card asks three, walls not scraped: wet spots in sound resin',
    slug: 'house-coat-9', record: { mix: { stirMin: 1, scrapedWalls: false } },
    seen: { kind: 'tacky', pattern: 'sticky-spots', afterH: 48 }, first: 'under-mixed', atLeast: 0.75,
  },
  {
    because: 'stirred by the clock with walls scraped, but the cup was scraped out over the part at the end',
    slug: 'house-coat-9', record: { pour: { scrapedCup: true } },
    seen: { kind: 'tacky', pattern: 'sticky-spots', afterH: 48 }, first: 'cup-scraped', atLeast: 0.7,
  },
  {
    because: 'the same scraping after a second cup and a second stir is no longer the likely cause',
    slug: 'house-coat-9', record: { pour: { scrapedCup: true }, mix: { stirMin: 1.2, scrapedWalls: false, secondCup: true } },
    seen: { kind: 'tacky', pattern: 'sticky-spots', afterH: 48 }, first: 'under-mixed', atLeast: 0.45,
  },
  {
    because: 'eight per cent of pigment paste in a clear urethane that takes four in all',
    slug: 'house-clear-6', record: { additives: [{ name: 'chalk paste', kind: 'pigment-paste', massG: 16, applied: 'mixed' }] },
    seen: { kind: 'soft', pattern: 'all-over', afterH: 130 }, first: 'too-much-additive', atLeast: 0.6,
  },
  {
    because: 'water-based paint is refused by the card, and over its limit besides',
    slug: 'house-deep-40', record: { additives: [{ name: 'green wall paint', kind: 'water-based-paint', massG: 20, applied: 'mixed' }] },
    seen: { kind: 'tacky', pattern: 'tacky-all-over', afterH: 96 }, first: 'too-much-additive', atLeast: 0.7,
  },
  {
    because: 'a January room at 12 °C, six below the coldest the card allows, and everything else right',
    slug: 'house-deep-40', record: { room: { temperatureC: 12 }, cure: { temperatureC: 12 } },
    seen: { kind: 'soft', pattern: 'all-over', afterH: 240 }, first: 'cold-cure', atLeast: 0.7,
  },
  {
    because: 'soft patches where the mould lay on a cold bench: the pattern alone says cold',
    slug: 'house-coat-9', record: { room: { temperatureC: 17 }, cure: { temperatureC: 17 } },
    seen: { kind: 'soft', pattern: 'cold-spots', afterH: 48 }, first: 'cold-cure', atLeast: 0.8,
  },
  {
    because: 'hardness rising from 40 to 58 in a cold room: slow, not wrong',
    slug: 'house-deep-40',
    record: { room: { temperatureC: 15 }, cure: { temperatureC: 15 }, checks: [{ afterH: 240, shore: 40 }] },
    seen: { kind: 'soft', pattern: 'all-over', afterH: 320 }, first: 'cold-cure', atLeast: 0.5,
  },
  {
    because: 'demoulded after an hour where the card asks 140 minutes, judged at once, in a warm enough room',
    slug: 'house-clear-6', record: { cure: { demouldedMin: 60 } },
    seen: { kind: 'soft', pattern: 'all-over', afterH: 1.1 }, first: 'too-soon', atLeast: 0.7,
  },
  {
    because: 'a coating touched after three hours that is tack-free after eight',
    slug: 'house-coat-9', record: { cure: { demouldedMin: null } },
    seen: { kind: 'tacky', pattern: 'tacky-all-over', afterH: 3 }, first: 'too-soon', atLeast: 0.7,
  },
  {
    because: 'an epoxy poured at 12 °C is nearly twice as thick as at the card\'s least, and holds its air',
    slug: 'house-coat-9', record: { resin: { temperatureAC: 12, temperatureBC: 12, atPourC: 12 } },
    seen: { kind: 'bubbles', pattern: 'micro-throughout' }, first: 'cold-thick-resin', atLeast: 0.6,
  },
  {
    because: 'no rest at all in a thick coating that asks for five minutes; warm, so not the cold',
    slug: 'house-coat-9', record: { degas: { method: 'none', minutes: 0 }, pour: { depthMm: 8 } },
    seen: { kind: 'bubbles', pattern: 'micro-throughout' }, first: 'not-cleared', atLeast: 0.55,
  },
  {
    because: 'a vacuum of half a minute where the card asks one and a half, and not pressed in time to make up for it',
    slug: 'house-clear-6', record: { degas: { method: 'vacuum', minutes: 0.4, vacuumKPaAbs: 3 }, pressure: { gaugeKPa: null, startedMin: null, reachedMin: null, releasedMin: null } },
    seen: { kind: 'bubbles', pattern: 'top-foam' }, first: 'not-cleared', atLeast: 0.4,
  },
  {
    because: 'full pressure at 13 minutes where this urethane at 26 °C gels near eight',
    slug: 'house-clear-6', record: { degas: { method: 'none', minutes: 0 }, pressure: { gaugeKPa: 345, startedMin: 9, reachedMin: 13, releasedMin: 150 } },
    seen: { kind: 'bubbles', pattern: 'micro-throughout' }, first: 'pressure-late', atLeast: 0.8,
  },
  {
    because: 'pressed at 140 kPa, half of what the card asks, in good time',
    slug: 'house-clear-6', record: { pressure: { gaugeKPa: 140 } },
    seen: { kind: 'bubbles', pattern: 'micro-throughout' }, first: 'pressure-low', atLeast: 0.6,
  },
  {
    because: 'released after 20 minutes of the two hours the card asks: the bubbles came back',
    slug: 'house-clear-6', record: { pressure: { gaugeKPa: 345, startedMin: 4, reachedMin: 5, releasedMin: 25 } },
    seen: { kind: 'bubbles', pattern: 'micro-throughout' }, first: 'pressure-let-go', atLeast: 0.6,
  },
  {
    because: 'August air at 78 % and a wooden stick in a urethane that must stay dry',
    slug: 'house-clear-6', record: { room: { humidityPct: 78 }, mix: { tool: 'wood' } },
    seen: { kind: 'bubbles', pattern: 'micro-throughout' }, first: 'damp-resin', atLeast: 0.85,
  },
  {
    because: 'the same damp in an epoxy cannot foam it: the cause does not exist there',
    slug: 'house-coat-9', record: { room: { humidityPct: 78 }, mix: { tool: 'wood' }, degas: { method: 'none', minutes: 0 } },
    seen: { kind: 'bubbles', pattern: 'micro-throughout' }, first: 'not-cleared', atLeast: 0.4, notAbove: ['damp-resin', 0],
  },
  {
    because: 'water-based paint in urethane makes more than a litre of gas for each gram of water',
    slug: 'house-bone-3', record: { additives: [{ name: 'blue craft paint', kind: 'water-based-paint', massG: 3, applied: 'mixed' }] },
    seen: { kind: 'bubbles', pattern: 'top-foam' }, first: 'damp-resin', atLeast: 0.55,
  },
  {
    because: 'a peak of 92 °C was read where the card allows 65: the yellow centre is heat',
    slug: 'house-deep-40', record: { cure: { peakC: 92 } },
    seen: { kind: 'yellowing', pattern: 'centre-of-thick-section' }, first: 'overheated', atLeast: 0.9,
  },
  {
    because: 'nobody read the peak, but 110 mm were poured where the card allows 60 at once',
    slug: 'house-deep-40', record: { pour: { depthMm: 110 } },
    seen: { kind: 'cracks', pattern: 'unspecified' }, first: 'overheated', atLeast: 0.8,
  },
  {
    because: 'a peak of 48 °C was read: whatever the depth, it did not overheat',
    slug: 'house-deep-40', record: { pour: { depthMm: 110 }, cure: { peakC: 48 } },
    seen: { kind: 'cracks', pattern: 'unspecified' }, first: 'something-else', atLeast: 0.3, notAbove: ['overheated', 0.3],
  },
  {
    because: 'a lamp of 3000 mJ/cm² for a later fill, on a base that is not light-stable, on the side it shone on',
    slug: 'house-clear-6', record: { cure: { lightMJPerCM2: 3000 } },
    seen: { kind: 'yellowing', pattern: 'surface-exposed-to-light', afterH: 168 }, first: 'light-yellowed', atLeast: 0.9,
  },
  {
    because: 'catalyst at the bottom of its band in a room at the card\'s coldest, where the top is asked',
    slug: 'house-tide', record: { room: { temperatureC: 17 }, cure: { temperatureC: 17 }, mix: { amountA: 200, amountB: 1.2 } },
    seen: { kind: 'soft', pattern: 'all-over', afterH: 200 }, first: 'catalyst-low', atLeast: 0.7,
  },
  {
    because: 'four per cent of catalyst where the card stops at 2.4, in a warm room: hot, and cracked',
    slug: 'house-tide', record: { room: { temperatureC: 26 }, cure: { temperatureC: 26 }, mix: { amountA: 200, amountB: 8 } },
    seen: { kind: 'cracks', pattern: 'unspecified' }, first: 'catalyst-high', atLeast: 0.8,
  },
  {
    because: 'hardener open for ten months where the card allows three, and all else in order',
    slug: 'house-clear-6', record: { lotB: { code: 'B-12', openedOn: '2025-05-10', useBy: '2026-05-10' } },
    seen: { kind: 'soft', pattern: 'all-over', afterH: 130 }, first: 'old-or-damp-lot', atLeast: 0.5,
  },
  {
    because: 'hardener-rich by a fifth: an epoxy that came out amber all over, with fresh lots and no light',
    slug: 'house-coat-9', record: { mix: { amountA: 100, amountB: 106 } },
    seen: { kind: 'yellowing', pattern: 'whole-part', afterH: 48 }, first: 'ratio-off', atLeast: 0.6,
  },
  {
    because: 'short of hardener by a fifth cannot yellow it: only an excess does',
    slug: 'house-coat-9', record: { mix: { amountA: 100, amountB: 69 } },
    seen: { kind: 'yellowing', pattern: 'whole-part', afterH: 48 }, first: 'something-else', atLeast: 0.2, notAbove: ['ratio-off', 0.1],
  },
  {
    because: 'powder short in a water-based compound: 1 : 1.5 where the card asks 1 : 2.1',
    slug: 'house-chalk', record: { mix: { amountA: 200, amountB: 300 } },
    seen: { kind: 'soft', pattern: 'all-over', afterH: 60 }, first: 'ratio-off', atLeast: 0.7,
  },
  {
    because: 'a urethane judged soft after six days at 23 °C with everything in order: nothing recorded explains it',
    slug: 'house-clear-6', record: {},
    seen: { kind: 'soft', pattern: 'all-over', afterH: 160 }, first: 'something-else', atLeast: 0.25, notAbove: ['too-soon', 0.3],
  },
  {
    because: 'flat hardness two days apart in a warm room: neither early nor cold, and the ratio was nine per cent off',
    slug: 'house-deep-40', record: { mix: { amountA: 100, amountB: 48 }, checks: [{ afterH: 240, shore: 57 }] },
    seen: { kind: 'soft', pattern: 'all-over', afterH: 300 }, first: 'ratio-off', atLeast: 0.6, notAbove: ['too-soon', 0.1],
  },
  {
    because: 'pressed at the card\'s pressure in good time and held: fine bubbles from a short vacuum should be gone, so nothing stands out',
    slug: 'house-clear-6', record: { degas: { method: 'vacuum', minutes: 0.6, vacuumKPaAbs: 3 } },
    seen: { kind: 'bubbles', pattern: 'micro-throughout' }, first: 'not-cleared', atLeast: 0.2, notAbove: ['not-cleared', 0.35],
  },
  {
    because: 'not pressed at all where the card asks 275 kPa, and no vacuum either',
    slug: 'house-clear-6', record: { degas: { method: 'none', minutes: 0 }, pressure: { gaugeKPa: 0, startedMin: null, reachedMin: null, releasedMin: null } },
    seen: { kind: 'bubbles', pattern: 'micro-throughout' }, first: 'pressure-low', atLeast: 0.45,
  },
  {
    because: 'a hardener that stood cloudy in its bottle foams a urethane, in dry air and with a steel stick',
    slug: 'house-bone-3', record: { lotB: { code: 'B-12', openedOn: '2025-09-01', useBy: '2026-05-10', colour: 'cloudy' } },
    seen: { kind: 'bubbles', pattern: 'top-foam' }, first: 'old-or-damp-lot', atLeast: 0.5,
  },
  {
    because: 'a peak of 138 °C where this polyester stops at 120, catalyst as asked: the crack is heat, not dose',
    slug: 'house-tide', record: { cure: { peakC: 138 } },
    seen: { kind: 'cracks', pattern: 'unspecified' }, first: 'overheated', atLeast: 0.7,
  },
  {
    because: 'too little catalyst left it liquid, whatever the room',
    slug: 'house-shell', record: { mix: { amountA: 200, amountB: 1 } },
    seen: { kind: 'tacky', pattern: 'liquid', afterH: 30 }, first: 'catalyst-low', atLeast: 0.8,
  },
  {
    because: 'a card that calls itself light-stable speaks against the lamp, so that nothing leads by much',
    slug: 'house-shell', record: { cure: { lightMJPerCM2: 3000 } },
    seen: { kind: 'yellowing', pattern: 'whole-part', afterH: 200 }, first: 'catalyst-high', atLeast: 0.2, notAbove: ['light-yellowed', 0.3],
  },
];
