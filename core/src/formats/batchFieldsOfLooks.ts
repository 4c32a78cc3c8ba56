import { fieldsOf, type BatchField } from './batchField';
import { CAUSE_IDS, GRADES, OUTCOME_HOWS, SYMPTOM_KINDS, TOUCHES } from './vocabulary';

const PICKED = { byHand: false } as const;

const look = fieldsOf('checks', 'check', 'check');
const COLOUR = 'checks[].photos[].colour';
const CHECKS = [
  look.number('checks[].afterH', 'When it was seen', 'h', PICKED),
  look.text('checks[].casting', 'Casting looked at', PICKED),
  look.number('checks[].bubbleCount', 'Bubbles counted', '', PICKED),
  look.number('checks[].shore', 'Hardness', '', { ...PICKED, limit: true }),
  look.number('checks[].deltaB', 'Change of b*', '', PICKED),
  look.choice('checks[].symptoms[].kind', 'Symptom', SYMPTOM_KINDS, PICKED),
  look.text('checks[].symptoms[].pattern', 'Pattern', PICKED),
  look.number('checks[].symptoms[].severity', 'Severity', '', PICKED),
  look.text('checks[].symptoms[].where', 'Where on the piece', PICKED),
  look.text('checks[].symptoms[].area.where', 'Area', PICKED),
  look.number('checks[].symptoms[].area.shareOfFace', 'Share of the face', '', PICKED),
  look.number('checks[].symptoms[].area.areaCM2', 'Size of the area', 'cm²', PICKED),
  look.choice('checks[].grade', 'Grade', GRADES, PICKED),
  look.text('checks[].note', 'Note on the look', PICKED),
  look.choice('checks[].touch', 'To the touch', TOUCHES, PICKED),
  look.number('checks[].spots[].cavity', 'Cavity of the spot', '', PICKED),
  look.number('checks[].spots[].x', 'Spot, across', '', PICKED),
  look.number('checks[].spots[].y', 'Spot, down', '', PICKED),
  look.choice('checks[].spots[].kind', 'Fault at the spot', SYMPTOM_KINDS, PICKED),
  look.made('checks[].photos[].id', 'Photo'),
  look.number('checks[].photos[].marks[].x', 'Mark, across', '', PICKED),
  look.number('checks[].photos[].marks[].y', 'Mark, down', '', PICKED),
  look.text('checks[].photos[].marks[].says', 'Mark', PICKED),
  ...(['card', 'cast', 'sample'] as const).flatMap((patch) => [
    look.number(`checks[].photos[].picks.${patch}.x`, `Picked ${patch}, across`, '', PICKED),
    look.number(`checks[].photos[].picks.${patch}.y`, `Picked ${patch}, down`, '', PICKED),
  ]),
  look.choice(`${COLOUR}.from`, 'Colour measured on', ['file', 'kept'], PICKED),
  look.made(`${COLOUR}.cast`, 'Colour of the cast'),
  look.made(`${COLOUR}.card`, 'Colour of the white card'),
  look.made(`${COLOUR}.sample`, 'Colour of the untouched sample'),
  look.number(`${COLOUR}.b`, 'b*', '', PICKED),
  look.number(`${COLOUR}.yellownessIndex`, 'Yellowness index', '', PICKED),
  look.number(`${COLOUR}.againstSample`, 'Against the sample', '', PICKED),
  look.text('quickTests[].test', 'Quick test', PICKED),
  look.text('quickTests[].outcome', 'Outcome of the test', PICKED),
  look.number('quickTests[].atH', 'Tested after', 'h', PICKED),
];

const mend = fieldsOf('mends', 'check', 'check');
const MENDS = [
  mend.number('mends[].atH', 'Mend begun after', 'h', PICKED),
  mend.number('mends[].doneH', 'Mend done after', 'h', PICKED),
  mend.choice('mends[].kind', 'Mended for', SYMPTOM_KINDS, PICKED),
  mend.text('mends[].pattern', 'Pattern mended', PICKED),
  mend.text('mends[].steps[].says', 'Step of the mend', PICKED),
  mend.yesNo('mends[].steps[].done', 'Step done', PICKED),
  mend.words('mends[].supplies', 'Needed for the mend', PICKED),
  mend.number('mends[].recheckAfterH', 'Looked at again after', 'h', PICKED),
  mend.words('mends[].castings', 'Castings mended', PICKED),
  mend.number('mends[].coat.areaCM2', 'Area of the coat', 'cm²', PICKED),
  mend.number('mends[].coat.thicknessMm', 'Thickness of the coat', 'mm', PICKED),
  mend.number('mends[].coat.massG', 'Mass of the coat', 'g', PICKED),
  mend.text('mends[].by', 'Mended by', PICKED),
  mend.text('mends[].note', 'Note on the mend', PICKED),
];

const ends = fieldsOf('outcome', 'done', 'check');
const OUTCOME = [
  ends.choice('outcome[].symptom', 'Symptom it was about', SYMPTOM_KINDS, PICKED),
  ends.text('outcome[].casting', 'Casting it was about', PICKED),
  ends.choice('outcome[].cause', 'What it turned out to be', CAUSE_IDS, PICKED),
  ends.choice('outcome[].how', 'How that is known', OUTCOME_HOWS, PICKED),
  ends.moment('outcome[].at', 'Known since', PICKED),
  ends.text('outcome[].by', 'Confirmed by', PICKED),
  ends.yesNo('outcome[].refuted', 'Refuted', PICKED),
  ends.text('copiedFrom.code', 'Copied from', PICKED),
  ends.choice('copiedFrom.symptom', 'Changed because of the fault', SYMPTOM_KINDS, PICKED),
  ends.text('copiedFrom.changes[].cause', 'Changed because of', PICKED),
  ends.text('copiedFrom.changes[].says', 'What was changed', PICKED),
  ends.text('note', 'Note'),
];

const again = fieldsOf('checks', 'check', 'check');
const READ_AGAIN = [
  again.made('readAgain[].field', 'Figure looked at again'),
  again.number('readAgain[].value', 'Stands as', '', PICKED),
  again.text('readAgain[].by', 'Looked at again by', PICKED),
];

const bench = fieldsOf('bench', 'weigh');
const BENCH = [
  bench.number('readings[].atMin', 'Read at', 'min', PICKED),
  bench.text('readings[].what', 'Reading of', PICKED),
  bench.number('readings[].value', 'Reading', '', PICKED),
  bench.text('readings[].unit', 'Unit of the reading', PICKED),
  bench.text('readings[].device', 'Device', PICKED),
  bench.yesNo('readings[].simulated', 'Stand-in device', PICKED),
  bench.made('bench.done[].step', 'Step done'),
  bench.number('bench.done[].atMin', 'Step done at', 'min', PICKED),
  bench.made('bench.reasons[].field', 'Limit passed'),
  bench.text('bench.reasons[].reason', 'Reason', PICKED),
  bench.number('bench.reasons[].atMin', 'Reason given at', 'min', PICKED),
  bench.words('bench.checked', 'Vessel checked', PICKED),
  bench.yesNo('bench.hollow', 'Hollow casting', PICKED),
  bench.number('bench.tareG', 'Tare', 'g', PICKED),
  bench.number('bench.stirFromMin', 'Stir began', 'min', PICKED),
  bench.number('bench.clearFromMin', 'Clearing began', 'min', PICKED),
  bench.number('bench.lampFromMin', 'Lamp went on', 'min', PICKED),
  bench.number('bench.pourWindow.fromC', 'Pour from', '°C', PICKED),
  bench.number('bench.pourWindow.toC', 'Pour up to', '°C', PICKED),
  bench.number('bench.more[].atMin', 'Made more at', 'min', PICKED),
  bench.number('bench.more[].massAG', 'New target of A', 'g', PICKED),
  bench.number('bench.more[].massBG', 'New target of B', 'g', PICKED),
  bench.number('bench.more[].totalG', 'New total', 'g', PICKED),
  bench.number('bench.more[].fromAG', 'A in the cup then', 'g', PICKED),
  bench.number('bench.more[].fromBG', 'B in the cup then', 'g', PICKED),
  bench.number('bench.looked[].atMin', 'Looked at', 'min', PICKED),
  bench.made('plan.format', 'Plan'),
];

/** Looks, tests, mends, what it turned out to be, and what the bench keeps of the run. */
export const FIELDS_OF_LOOKS: readonly BatchField[] = [...CHECKS, ...MENDS, ...OUTCOME, ...READ_AGAIN, ...BENCH];
