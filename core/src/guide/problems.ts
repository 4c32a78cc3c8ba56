/** What an error of the application means, by its code: what happened, whether anything was lost, and the way on. */
export interface ProblemHelp {
  readonly code: string;
  readonly title: string;
  readonly says: string;
}

const help = (code: string, title: string, says: string): ProblemHelp => ({ code, title, says });

/** Errors that a person may meet, those of the network first. */
export const PROBLEM_HELP: readonly ProblemHelp[] = [
  help(
    'unreachable',
    'The server cannot be reached',
    'The studio’s computer is off, asleep, or on another network. What you typed waits on this device. At the bench each step is kept and sent in order once it is back.',
  ),
  help('starting', 'It is starting', 'The server was started a moment ago. Wait, and try again.'),
  help(
    'restoring',
    'A backup is put in place',
    'The studio’s data are being replaced by a copy. Wait until it is done.',
  ),
  help(
    'version-conflict',
    'Somebody saved first',
    'Another screen stored the same thing while you were changing it. Nothing of yours is lost: what you changed is laid beside theirs, field by field, and you say which stands.',
  ),
  help(
    'field-conflict',
    'The same field says something else',
    'At the bench two screens entered the same figure differently. It is asked about; nothing else waits for it.',
  ),
  help(
    'invalid-input',
    'A field does not fit',
    'A figure is outside what is possible, or something is missing. Each field says what it takes. A slipped decimal point is the usual reason.',
  ),
  help(
    'code-taken',
    'The code is taken',
    'Codes are never used twice, those of deleted batches too, so that a label never leads to two things.',
  ),
  help(
    'unknown-product',
    'There is no such card',
    'A batch and a lot belong to a product’s card. Bring the card in first: from its data sheet, by hand, or from a file.',
  ),
  help(
    'contradiction',
    'The card contradicts itself',
    'Two of its figures cannot both be true, mostly the two ratios against the densities. Look at the data sheet again; nothing is averaged.',
  ),
  help(
    'rows-refused',
    'Some rows cannot be taken',
    'Each says why. Mend them in the file, or leave them out; nothing is brought in by halves.',
  ),
  help(
    'nothing-fits',
    'No row can come in',
    'Every row is refused or here already. Match the columns, or mend the table.',
  ),
  help(
    'changed-since',
    'It was changed since',
    'An import is taken back only as a whole, and somebody changed, used or removed a part of it. Remove by hand what should go.',
  ),
  help(
    'sign-in',
    'Nobody is signed in',
    'On a network people sign in. What you typed stays in this browser until you do.',
  ),
  help(
    'not-yours',
    'That is for a lead',
    'Cards, gear, people, backups and imports are changed by a lead. Ask one, or have your role changed.',
  ),
  help(
    'other-studio',
    'Another studio is served here',
    'This page belongs to the studio that was here before. Reload; what you typed stays with its own studio.',
  ),
  help(
    'other-host',
    'Another name',
    'The server does not go by the name in the address. Open it by the address that it printed when it started.',
  ),
  help('too-large', 'Too large', 'Each place says how large a file or text may be. Bring a long table in by parts.'),
  help(
    'no-room',
    'No room on the disk',
    'The studio’s computer has too little free space. Nothing was stored; free some, and try again.',
  ),
  help('not-found', 'Not there', 'It was removed, or the address was mistyped. Find it by its code.'),
];

/** What an error means; undefined for one that says all in its own words. */
export const problemHelp = (code: string): ProblemHelp | undefined => PROBLEM_HELP.find((p) => p.code === code);
