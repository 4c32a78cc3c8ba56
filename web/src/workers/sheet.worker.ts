import { readDataSheet, sheetFamily, sheetProducts, sheetTitle } from '@warm-jar/core';
import { answerCalls } from './answerCalls';

/** Reads a data sheet's words. */
answerCalls(
  ({ text, asked }: { text: string; asked: string | null }) => ({
    readings: readDataSheet(text, { asked: asked ?? undefined }),
    products: sheetProducts(text),
    title: sheetTitle(text),
    family: sheetFamily(text),
  }),
  'The sheet could not be read. Type its figures instead.',
);
