import type { Worked } from './worked';

const inclusion = (more: Record<string, unknown>) => [{ what: 'oak offcut', kind: 'wood', moisturePct: 7, sealed: true, treated: false, ...more }];
const below = (more: Record<string, unknown>) => ({ productSlug: 'house-chalk', family: 'mineral-acrylic', poured: 'B-0300', hoursSince: 20, sanded: null, massLossPct: null, ...more });

/** What it was poured into and onto, what was cast in, and what shone or blew on it. */
export const MOULD_AND_LAYERS: readonly Worked[] = [
  {
    because: 'two millimetres of an epoxy that needs eight, in a mould six kelvin colder than the room',
    slug: 'house-deep-40', record: { mould: { thinnestMm: 2, temperatureC: 17 } },
    seen: { kind: 'soft', pattern: 'thin-sections', afterH: 96 }, first: 'thin-section', atLeast: 0.7,
  },
  {
    because: 'the same piece in a room of 11 °C is cold all over, thin or not',
    slug: 'house-deep-40', record: { room: { temperatureC: 11 }, cure: { temperatureC: 11 }, mould: { thinnestMm: 20 } },
    seen: { kind: 'soft', pattern: 'thin-sections', afterH: 96 }, first: 'cold-cure', atLeast: 0.5,
  },
  {
    because: 'coated in air of 80 % where the card stops at 65: a greasy film by morning',
    slug: 'house-coat-9', record: { room: { humidityPct: 80 } },
    seen: { kind: 'tacky', pattern: 'greasy-film' }, first: 'amine-blush', atLeast: 0.85,
  },
  {
    because: 'the air was dry enough, but the piece stood a kelvin over its dew point on a cold slab',
    slug: 'house-coat-9', record: { room: { temperatureC: 21, humidityPct: 64 }, mould: { temperatureC: 14.5 } },
    seen: { kind: 'haze', pattern: 'unspecified' }, first: 'amine-blush', atLeast: 0.4,
  },
  {
    because: 'an unwaxed polyester left open to the air stays tacky on that side alone',
    slug: 'house-tide', record: { cure: { film: false } },
    seen: { kind: 'tacky', pattern: 'tacky-air-side-only' }, first: 'air-inhibition', atLeast: 0.9,
  },
  {
    because: 'a waxed top coat under film cannot be kept from curing by air',
    slug: 'house-shell', record: { cure: { film: true }, mix: { amountA: 200, amountB: 1.6 } },
    seen: { kind: 'tacky', pattern: 'tacky-all-over', afterH: 30 }, first: 'catalyst-low', atLeast: 0.6, notAbove: ['air-inhibition', 0.05],
  },
  {
    because: 'platinum rubber poured against a tin mould stays liquid just where they touched',
    slug: 'house-mould-p', record: { mould: { rubber: 'tin-silicone' } },
    seen: { kind: 'tacky', pattern: 'where-it-touched' }, first: 'inhibited-by-contact', atLeast: 0.85,
  },
  {
    because: 'sulfur clay under a polyester whose card names both',
    slug: 'house-tide', record: { mould: { rubber: 'other', contacts: ['sulfur clay'] } },
    seen: { kind: 'tacky', pattern: 'where-it-touched' }, first: 'inhibited-by-contact', atLeast: 0.85,
  },
  {
    because: 'a third of the dose that the card asks: liquid under a skin',
    slug: 'house-noon', record: { cure: { lightMJPerCM2: 400 } },
    seen: { kind: 'soft', pattern: 'deep-under-skin', afterH: 1 }, first: 'under-exposed', atLeast: 0.75,
  },
  {
    because: 'four millimetres of a white that cures one: the edges leak when it is pressed',
    slug: 'house-noon-white', record: { pour: { depthMm: 4 } },
    seen: { kind: 'tacky', pattern: 'edges-leak', afterH: 1 }, first: 'under-exposed', atLeast: 0.85,
  },
  {
    because: 'six times the dye the card allows: the dose was right, the loading was not',
    slug: 'house-noon', record: { additives: [{ name: 'dye', kind: 'dye', massG: 12, applied: 'mixed' }] },
    seen: { kind: 'tacky', pattern: 'liquid', afterH: 1 }, first: 'too-much-additive', atLeast: 0.6,
  },
  {
    because: 'whipped with a whisk and the bottle shaken, then not pressed: foam in a thick coating',
    slug: 'house-coat-9', record: { mix: { vigour: 'whipped', shaken: true } },
    seen: { kind: 'bubbles', pattern: 'micro-throughout' }, first: 'whipped-air', atLeast: 0.7,
  },
  {
    because: 'stirred briskly, rested well, and a fine foam on top',
    slug: 'house-coat-9', record: { mix: { vigour: 'brisk', shaken: true } },
    seen: { kind: 'bubbles', pattern: 'top-foam' }, first: 'whipped-air', atLeast: 0.5,
  },
  {
    because: 'oak at 16 % of water, unsealed, in a urethane that takes eight: bubbles round it and nowhere else',
    slug: 'house-clear-6', record: { inclusions: inclusion({ moisturePct: 16, sealed: false }) },
    seen: { kind: 'bubbles', pattern: 'around-inclusion' }, first: 'wet-inclusion', atLeast: 0.85,
  },
  {
    because: 'a brass turning holds no water, and the mould was not tilted round it',
    slug: 'house-deep-40', record: { inclusions: [{ what: 'brass turnings', kind: 'metal', moisturePct: 0, sealed: false, treated: false }], pour: { tilted: false, fast: true } },
    seen: { kind: 'bubbles', pattern: 'around-inclusion' }, first: 'trapped-by-shape', atLeast: 0.6, notAbove: ['wet-inclusion', 0.3],
  },
  {
    because: 'damp bladderwrack went brown in a week: it was at 14 % and unsealed',
    slug: 'house-deep-40', record: { inclusions: [{ what: 'dried bladderwrack', kind: 'plant', moisturePct: 14, sealed: false, treated: false }] },
    seen: { kind: 'inclusion-change', pattern: 'unspecified', afterH: 168 }, first: 'wet-inclusion', atLeast: 0.6,
  },
  {
    because: 'treated wrack changed at once, has gone badly here twice, and did well in another resin',
    slug: 'house-clear-6', record: { inclusions: [{ what: 'dried bladderwrack', kind: 'plant', moisturePct: 6, sealed: true, treated: true }] },
    history: { pairs: [{ inclusion: 'dried bladderwrack', productSlug: 'house-clear-6', outcome: 'bad' }, { inclusion: 'dried bladderwrack', productSlug: 'house-clear-6', outcome: 'bad' }, { inclusion: 'dried bladderwrack', productSlug: 'house-coat-9', outcome: 'good' }] },
    seen: { kind: 'inclusion-change', pattern: 'unspecified', afterH: 1 }, first: 'inclusion-reaction', atLeast: 0.85,
  },
  {
    because: 'dry, sealed wood with yellow round it, and the pair has gone badly before',
    slug: 'house-coat-9', record: { inclusions: inclusion({ treated: true }) },
    history: { pairs: [{ inclusion: 'oak offcut', productSlug: 'house-coat-9', outcome: 'bad' }] },
    seen: { kind: 'yellowing', pattern: 'around-inclusion', afterH: 48 }, first: 'inclusion-reaction', atLeast: 0.6,
  },
  {
    because: 'pressed in a mould that was never degassed: pimples on the skin',
    slug: 'house-clear-6', record: { mould: { degassed: false } },
    seen: { kind: 'bubbles', pattern: 'surface-pimples' }, first: 'mould-not-degassed', atLeast: 0.9,
  },
  {
    because: 'pimples without pressure from a degassed but dirty, worn mould are no rubber bubbles',
    slug: 'house-deep-40', record: { mould: { degassed: true, clean: false, pulls: 70 } },
    seen: { kind: 'bubbles', pattern: 'surface-pimples' }, first: 'mould-flaw', atLeast: 0.3, notAbove: ['mould-not-degassed', 0.2],
  },
  {
    because: 'poured fast into the middle of an untilted mould: voids under every ledge',
    slug: 'house-deep-40', record: { pour: { tilted: false, fast: true } },
    seen: { kind: 'bubbles', pattern: 'corners-and-undersides' }, first: 'trapped-by-shape', atLeast: 0.85,
  },
  {
    because: 'large voids in a fast pour that was otherwise warm and rested',
    slug: 'house-coat-9', record: { pour: { tilted: false, fast: true } },
    seen: { kind: 'bubbles', pattern: 'large-voids' }, first: 'trapped-by-shape', atLeast: 0.8,
  },
  {
    because: 'the same spot in five of the last six pulls is the mould, whatever the resin',
    slug: 'house-clear-6', record: { mould: { pulls: 50, clean: false } }, history: { sameSpot: { times: 5, pulls: 6 } },
    seen: { kind: 'bubbles', pattern: 'same-spot' }, first: 'mould-flaw', atLeast: 0.95,
  },
  {
    because: 'once in twelve pulls is no pattern, and this mould was not tilted',
    slug: 'house-clear-6', record: { pour: { tilted: false, fast: true } }, history: { sameSpot: { times: 1, pulls: 12 } },
    seen: { kind: 'bubbles', pattern: 'same-spot' }, first: 'trapped-by-shape', atLeast: 0.4,
  },
  {
    because: 'a torch was held on it until it rippled, and it is yellow just there',
    slug: 'house-coat-9', record: { pour: { flame: 'torch-long' } },
    seen: { kind: 'yellowing', pattern: 'near-flame-or-heat', afterH: 20 }, first: 'flame-scorch', atLeast: 0.9,
  },
  {
    because: 'amber hardener from an old bottle yellows an epoxy through and from the start',
    slug: 'house-coat-9', record: { lotB: { code: 'B-12', openedOn: '2024-06-01', useBy: '2025-06-01', colour: 'amber' } },
    seen: { kind: 'yellowing', pattern: 'whole-part', afterH: 24 }, first: 'aged-hardener', atLeast: 0.8,
  },
  {
    because: 'nothing but the colour in the bottle was noted, and yellow is all that is said',
    slug: 'house-deep-40', record: { lotB: { colour: 'brown' } },
    seen: { kind: 'yellowing', pattern: 'unspecified', afterH: 40 }, first: 'aged-hardener', atLeast: 0.6,
  },
  {
    because: 'clear urethane from tin rubber comes out fogged, in dry air',
    slug: 'house-clear-6', record: { mould: { rubber: 'tin-silicone', finish: 'gloss' } },
    seen: { kind: 'haze', pattern: 'unspecified' }, first: 'tin-mould', atLeast: 0.8,
  },
  {
    because: 'a matt master frosts the skin of anything; the rubber is platinum and the air was dry',
    slug: 'house-deep-40', record: { mould: { finish: 'matt' } },
    seen: { kind: 'haze', pattern: 'unspecified' }, first: 'surface-texture', atLeast: 0.7,
  },
  {
    because: 'epoxy over a water-based panel that still lost 3 % between weighings: it lifted after a week',
    slug: 'house-deep-40', record: { layerBelow: below({ massLossPct: 3 }) },
    seen: { kind: 'bulge', pattern: 'unspecified', afterH: 168 }, first: 'wet-layer-below', atLeast: 0.9,
  },
  {
    because: 'nobody weighed it, but it was covered after ten hours',
    slug: 'house-deep-40', record: { layerBelow: below({ hoursSince: 10 }) },
    seen: { kind: 'bulge', pattern: 'unspecified', afterH: 96 }, first: 'wet-layer-below', atLeast: 0.8,
  },
  {
    because: 'four days after the last pour of the same epoxy, unsanded, where the card allows two',
    slug: 'house-deep-40', record: { layerBelow: { productSlug: 'house-deep-40', family: 'epoxy', poured: 'B-0301', hoursSince: 130, sanded: false } },
    seen: { kind: 'delamination', pattern: 'unspecified', afterH: 200 }, first: 'bond-window-missed', atLeast: 0.8,
  },
  {
    because: 'water-based compound on cured epoxy never holds, sanded or not',
    slug: 'house-chalk', record: { layerBelow: { productSlug: 'house-deep-40', family: 'epoxy', poured: 'B-0301', hoursSince: 100, sanded: true } },
    seen: { kind: 'delamination', pattern: 'unspecified', afterH: 60 }, first: 'poor-key', atLeast: 0.8,
  },
  {
    because: 'a dish on top of a deep polyester: it shrinks most, and nobody topped it up',
    slug: 'house-tide', record: { pour: { depthMm: 24 } },
    seen: { kind: 'sink', pattern: 'unspecified' }, first: 'shrinkage', atLeast: 0.85,
  },
  {
    because: 'mica dusted dry into the mould comes off on the hand',
    slug: 'house-bone-3', record: { additives: [{ name: 'pearl mica', kind: 'mica', massG: 1, applied: 'dusted' }] },
    seen: { kind: 'colour-rub-off', pattern: 'unspecified' }, first: 'loose-powder', atLeast: 0.9,
  },
  {
    because: 'bubbles that nobody described, in a fast pour of resin that was cold',
    slug: 'house-coat-9', record: { resin: { temperatureAC: 12, temperatureBC: 12, atPourC: 12 } },
    seen: { kind: 'bubbles', pattern: 'unspecified' }, first: 'cold-thick-resin', atLeast: 0.5,
  },
  {
    because: 'tacky is all that was said, and hardener was doubled',
    slug: 'house-coat-9', record: { mix: { amountA: 100, amountB: 172 } },
    seen: { kind: 'tacky', pattern: 'unspecified', afterH: 48 }, first: 'ratio-off', atLeast: 0.7,
  },
  {
    because: 'soft is all that was said, after a day in a room of 12 °C',
    slug: 'house-deep-40', record: { room: { temperatureC: 12 }, cure: { temperatureC: 12 } },
    seen: { kind: 'soft', pattern: 'unspecified', afterH: 240 }, first: 'cold-cure', atLeast: 0.6,
  },
];
