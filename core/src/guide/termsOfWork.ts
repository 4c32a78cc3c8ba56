import type { Term } from './term';
import { LIMIT_PICTURE, WORK_ORDER_PICTURE } from './termPicture';

/** Words of the work, the record, and what is made of it. */
export const TERMS_OF_WORK: readonly Term[] = [
  {
    id: 'batch',
    term: 'Batch, cup, casting, piece',
    says: 'A batch is one mixing. A cup is a share of it with its own colour; a casting is what one cavity gave; a piece is the finished thing, one casting, layers over days, or castings joined.',
    fields: ['code', 'cups', 'castings'],
  },
  {
    id: 'time-zero',
    term: 'When the parts met',
    says: 'Time zero of a batch. Every minute of its record counts from it, on every screen, whatever was reloaded in between.',
    fields: ['startedAt', 'dayOnly'],
  },
  {
    id: 'stages',
    term: 'Stages',
    says: 'Where a batch is: the stage after the furthest one its record shows. A gap behind it is a gap in the record, not a step still to do.',
    picture: WORK_ORDER_PICTURE,
  },
  {
    id: 'closed',
    term: 'Done, closed',
    says: 'Nothing is left to do. Old records that are brought in come in so, unless they say otherwise; a piece that is sent to be mended is taken up again.',
    fields: ['closed'],
  },
  {
    id: 'state',
    term: 'Inside, near, below, above',
    says: 'Where a figure stands against its limit. Near is inside, within a tenth of the band from its edge. It is told by place and by words, never by colour alone.',
    picture: LIMIT_PICTURE,
  },
  {
    id: 'plan',
    term: 'Go, tight, no-go',
    says: 'A plan’s verdict. Tight: it goes with little to spare. No-go: a limit is passed; it is begun only with a reason, which the record keeps. Some stops no reason passes.',
  },
  {
    id: 'dew-point',
    term: 'Dew point',
    says: 'The temperature at which the room’s air sweats. A part or mould colder than it is wet; within 3 K of it epoxy may blush.',
    fields: ['room.humidityPct', 'air.dewPointSpreadK'],
  },
  {
    id: 'mould',
    term: 'Mould, pull, cavity',
    says: 'A mould has cavities; a pull is one filling of it. Its volume, depth and thinnest section make the plan; pulls count its wear.',
    fields: ['mould', 'makes', 'rubber', 'degassed', 'cavities', 'pullsBefore', 'pullsExpected'],
  },
  {
    id: 'symptom',
    term: 'Symptom, pattern, severity',
    says: 'What is seen or felt on the cast, and how and where. Severity runs from 1, seen only when looked for, to 4, which spoils the piece.',
    fields: ['checks[].symptoms'],
  },
  {
    id: 'evidence',
    term: 'Evidence, share, points',
    says: 'Each cause starts from how often it makes such a fault. Each figure speaks for or against it in points (decibans: 10 points are ten to one). The shares of all causes sum to one; something else is always among them.',
  },
  {
    id: 'ask',
    term: 'What to ask next',
    says: 'The figure that would tell most if somebody looked, for the effort it costs. Not the one that was most likely forgotten.',
  },
  {
    id: 'outcome',
    term: 'What it turned out to be',
    says: 'Told by the next batch, a test, or seen: those move the rates. Judged alone is kept and moves nothing, or a leading cause would confirm itself.',
    fields: ['outcome'],
  },
  {
    id: 'mend',
    term: 'Mend',
    says: 'The repair of this piece; prevention is what changes in the next. Time and warmth are tried before anything that cannot be taken back.',
    fields: ['mends'],
  },
  {
    id: 'grade',
    term: 'Grade',
    says: 'Pass, second (sold cheaper), scrap, or mend, which is not a last word. Yield and money count castings by their latest grade.',
    fields: ['checks[].grade', 'castings[].grade'],
  },
  {
    id: 'pattern-finding',
    term: 'A finding',
    says: 'Something that goes with a fault more often than chance allows, all questions counted together (a false discovery rate of 5 %). Independent: it says so beside everything else that travels with it.',
  },
  {
    id: 'trial',
    term: 'Trial',
    says: 'Two batches that differ in one thing. More than one difference, and it cannot say which; what was not recorded is told as unknown.',
  },
  {
    id: 'simulated',
    term: 'Stand-in, simulated',
    says: 'A device that is only acted by the application, for trying out. Every figure from it says so wherever it is shown.',
    fields: ['readings', 'device'],
  },
  {
    id: 'contradiction',
    term: 'A sheet contradicts itself',
    says: 'Two figures for one thing that cannot both be right, such as two pot lives of one mass. Neither is taken, and they are never averaged: somebody says which, or the field stays empty.',
  },
  {
    id: 'mapping',
    term: 'Matching columns',
    says: 'Which column of your table is which field, and in which unit or order of dates. It is kept under the heads of the table, and offered again the next time.',
  },
  {
    id: 'undo-import',
    term: 'Undo of an import',
    says: 'A whole import is taken back as if it had never been, while nothing of it was changed or used since.',
  },
];
