import { answerCalls } from './answerCalls';
import { readTableText } from './tableReading';

/** Reads a studio's own table. */
answerCalls(readTableText, 'The table could not be read. Save it as CSV in UTF-8, or paste its cells.');
