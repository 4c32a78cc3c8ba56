export { MADE_UP_SHEETS } from './madeUpSheets';
export { scoreSheet, type SheetScore } from './scoreSheet';
export { sheetText, wrapped, type MadeUpSheet, type SheetRow } from './sheetBuilder';
