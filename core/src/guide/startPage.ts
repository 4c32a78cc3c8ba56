/** A step of the printed page: what is done, and where. */
export interface StartStep {
  readonly title: string;
  readonly says: string;
  /** The key that leads there, where one does. */
  readonly key?: string;
}

/** What hangs beside the bench: the way of a batch, on one page. */
export const START_STEPS: readonly StartStep[] = [
  {
    title: 'Plan',
    key: 'm',
    says: 'Choose product and mould. Read the amounts, the time you have, and the warnings; begin the batch from there.',
  },
  {
    title: 'Weigh',
    says: 'The target stands large. Part A as it falls, part B follows what A really weighed. Too much? It says the least that puts it right.',
  },
  {
    title: 'Stir',
    says: 'Time runs from when the parts met. Scrape wall and bottom. Colour by drops, counted against the limit.',
  },
  {
    title: 'Clear and pour',
    says: 'Each second spent comes off the pot life on the screen. Pour before it ends; what is left in the cup is the witness.',
  },
  { title: 'Press and watch', says: 'Full pressure before gel, held past it. Bleed to zero before any lid is opened.' },
  {
    title: 'Look',
    says: 'Out of the mould, tomorrow, in a week: tap what you see and where. Nothing tapped is recorded as sound.',
  },
  {
    title: 'Ask why',
    says: 'A fault gets its causes with the evidence, what to look at next, and how to mend the piece. Change one thing in the next batch.',
  },
  { title: 'Find anything', key: '/', says: 'A code, a lot, a word of a note; or scan a label.' },
  { title: 'Help where you stand', key: '?', says: 'The words of the page you are on, and its keys.' },
];

/** Said at the foot of the page, and everywhere that it matters. */
export const START_CAUTION =
  'The product’s safety data sheet, local codes and licensed practice come first. Ventilate, wear gloves and goggles; only rated vessels; never leave a hot cup.';
