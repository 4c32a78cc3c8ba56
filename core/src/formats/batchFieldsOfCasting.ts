import { fieldsOf, type BatchField } from './batchField';
import type { Product } from './product';
import { FAMILIES, FINISHES, FINISH_STEPS, FLAMES, GRADES, INCLUSION_KINDS, LAID, RUBBERS } from './vocabulary';

const LIMIT = { limit: true } as const;
const PICKED = { byHand: false } as const;
const isPressed = (p: Product) => p.pressure?.minKPa != null || p.pressure?.maxKPa != null;

const pour = fieldsOf('pour', 'pour', 'casting');
const POUR = [
  pour.number('resin.atPourC', 'Resin at pour', '°C', LIMIT),
  pour.number('pour.startedMin', 'Pour began', 'min', { ...LIMIT, help: 'after the parts met' }),
  pour.number('pour.finishedMin', 'Pour ended', 'min', { ...LIMIT, help: 'after the parts met' }),
  pour.number('pour.depthMm', 'Depth of pour', 'mm', LIMIT),
  pour.yesNo('pour.tilted', 'Mould tilted'),
  pour.yesNo('pour.fast', 'Poured fast'),
  pour.yesNo('pour.scrapedCup', 'Cup scraped out', { help: 'into the mould' }),
  pour.number('pour.leftG', 'Left in the cup', 'g'),
  pour.number('pour.levelLostMm', 'Level fell before gel', 'mm'),
  pour.choice('pour.flame', 'Flame or hot air', FLAMES),
  pour.yesNo('pour.releaseMist', 'Release mist', { help: 'on the surface' }),
];

const press = fieldsOf('press', 'press', 'casting');
const PRESSED = { only: isPressed };
const PRESS = [
  press.number('pressure.gaugeKPa', 'Pressure', 'kPa', { ...LIMIT, ...PRESSED, help: 'on the gauge; 0: not pressed' }),
  press.number('pressure.startedMin', 'Lid closed at', 'min', { ...PRESSED, help: 'after the parts met' }),
  press.number('pressure.reachedMin', 'Full pressure at', 'min', { ...LIMIT, ...PRESSED, help: 'after the parts met' }),
  press.number('pressure.releasedMin', 'Pressure let go at', 'min', {
    ...LIMIT,
    ...PRESSED,
    help: 'after the parts met',
  }),
  press.text('pressure.vessel', 'Vessel', PICKED),
];

const mould = fieldsOf('mould', 'pour', 'casting');
const MOULD = [
  mould.text('mould.code', 'Mould code'),
  mould.choice('mould.rubber', 'Mould rubber', RUBBERS),
  mould.yesNo('mould.degassed', 'Mould degassed', { help: 'its rubber, when it was made' }),
  mould.number('mould.temperatureC', 'Mould', '°C', { reading: 'air.dewPointSpreadK' }),
  mould.number('mould.thinnestMm', 'Thinnest section', 'mm', LIMIT),
  mould.number('mould.pulls', 'Pulls of the mould', '', { help: 'before this one' }),
  mould.choice('mould.finish', 'Mould finish', FINISHES),
  mould.yesNo('mould.clean', 'Mould clean'),
  mould.yesNo('mould.sealed', 'Seams and edges sealed'),
  mould.number('mould.volumeML', 'What the cavities hold', 'mL'),
  mould.words('mould.contacts', 'What it touched', { help: 'clay, latex …' }),
];

const cast = fieldsOf('inclusions', 'pour', 'casting');
const inclusionRow = (list: string) => [
  cast.text(`${list}[].what`, 'What'),
  cast.choice(`${list}[].kind`, 'Kind', INCLUSION_KINDS),
  cast.number(`${list}[].moisturePct`, 'Moisture', '%', LIMIT),
  cast.yesNo(`${list}[].sealed`, 'Sealed'),
  cast.yesNo(`${list}[].treated`, 'Treated'),
  cast.choice(`${list}[].laid`, 'Laid in, against the pour', LAID),
  cast.yesNo(`${list}[].moved`, 'Moved under the resin'),
];

const layer = fieldsOf('layer', 'pour');
const LAYER = [
  layer.text('layerBelow.productSlug', 'Product below'),
  layer.choice('layerBelow.family', 'Layer below', FAMILIES, { help: 'its family' }),
  layer.text('layerBelow.poured', 'Batch of the layer below', PICKED),
  layer.number('layerBelow.hoursSince', 'Since the layer below', 'h', LIMIT),
  layer.yesNo('layerBelow.sanded', 'Layer below sanded'),
  layer.yesNo('layerBelow.wiped', 'Layer below wiped'),
  layer.choice('base.kind', 'What it lies on', INCLUSION_KINDS, { help: 'where it is no layer' }),
  layer.yesNo('base.sealed', 'Base sealed'),
  layer.number('layerBelow.massLossPct', 'Layer below, last mass loss', '%', {
    ...LIMIT,
    help: 'between the last two weighings',
  }),
];

const cure = fieldsOf('cure', 'watch', 'casting');
const CURE = [
  cure.number('cure.temperatureC', 'Cure temperature', '°C', LIMIT),
  cure.number('cure.peakC', 'Peak exotherm', '°C', { ...LIMIT, help: 'the hottest reading' }),
  cure.number('witness.setMin', 'Witness cup hard after', 'min', { owner: 'batch' }),
  cure.number('cure.demouldedMin', 'Demoulded at', 'min', { ...LIMIT, help: 'after the parts met' }),
  cure.yesNo('cure.covered', 'Covered', { help: 'against dust' }),
  cure.yesNo('cure.film', 'Film or wax over it'),
  cure.number('cure.lightMJPerCM2', 'Light dose', 'mJ/cm²', LIMIT),
  cure.number('cure.lamp.irradianceMWPerCM2', 'Lamp, at the piece', 'mW/cm²'),
  cure.text('cure.lamp.gear', 'Lamp', PICKED),
  cure.number('cure.lamp.distanceMm', 'Lamp, distance', 'mm', PICKED),
  cure.number('cure.lamp.sides', 'Sides lit', '', PICKED),
  cure.number('cure.lamp.minutes', 'Lit for', 'min', PICKED),
];

const castings = fieldsOf('castings', 'pour', 'casting');
const CASTINGS = [
  castings.text('castings[].id', 'Casting', PICKED),
  castings.text('castings[].cup', 'Poured from cup', PICKED),
  castings.number('castings[].mould.cavity', 'Cavity', '', PICKED),
  castings.number('castings[].massG', 'Mass of the casting', 'g', PICKED),
  castings.number('castings[].pouredMin', 'Casting poured', 'min', PICKED),
  castings.number('castings[].depthMm', 'Depth of the casting', 'mm', PICKED),
  castings.number('castings[].demouldedMin', 'Casting demoulded', 'min', PICKED),
  castings.choice('castings[].grade', 'Grade of the casting', GRADES, PICKED),
  castings.text('castings[].reason', 'Why it is a second or scrap', PICKED),
  castings.number('castings[].price', 'Price', '', PICKED),
  castings.date('castings[].soldOn', 'Sold on', PICKED),
  castings.choice('castings[].finish[].step', 'Finishing step', FINISH_STEPS, PICKED),
  castings.moment('castings[].finish[].at', 'Finished at', PICKED),
  castings.text('castings[].finish[].by', 'Finished by', PICKED),
];

/** From the pour to the casting out of its mould. */
export const FIELDS_OF_CASTING: readonly BatchField[] = [
  ...POUR,
  ...PRESS,
  ...MOULD,
  ...inclusionRow('inclusions'),
  ...LAYER,
  ...CURE,
  ...CASTINGS,
];
