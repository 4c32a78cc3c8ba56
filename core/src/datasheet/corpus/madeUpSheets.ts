import * as other from './otherFamilies';
import type { MadeUpSheet } from './sheetBuilder';
import { SHEET_CARDS, type SheetCard } from './sheetCards';
import * as tables from './tableLayouts';
import * as texts from './textLayouts';

const ONE_CARD: readonly ((card: SheetCard) => MadeUpSheet)[] = [
  tables.valueAndUnit,
  tables.unitInLabel,
  tables.partsTable,
  tables.withMethods,
  tables.commas,
  tables.leastAndMost,
  tables.byTemperature,
  texts.labelled,
  texts.dotted,
  texts.running,
  texts.runningElsewhere,
  texts.stacked,
  texts.twice,
  texts.contradictory,
];

const nth = <T>(list: readonly T[], index: number): T => list[index % list.length]!;

/** Each layout with three of the cards, and every card in many layouts. */
const ofCards = ONE_CARD.flatMap((layout, index) =>
  [0, 1, 2].map((step) => layout(nth(SHEET_CARDS, index + step * 2))),
);

const ofSeveral = [0, 1].flatMap((index) => {
  const [card, beside] = [nth(SHEET_CARDS, index), nth(SHEET_CARDS, index + 2)];
  const rest = SHEET_CARDS.filter((c) => c !== card);
  return [tables.productColumns(card, beside), tables.productRows(card, rest), texts.blocks(card, beside)];
});

const ofFamilies = [
  other.catalysed('Fernlay Cast', 1, 2, 14),
  other.catalysed('Gorsemere Clear', 0.8, 1.8, 22),
  other.gelTable('Heathway Poly', [
    [1, 30],
    [1.5, 19],
    [2, 14],
  ]),
  other.lightCured('Ivylamp 5', 480, 14, 1.4),
  other.lightCured('Junilight Fill', 900, 22, 0.6),
  other.powdered('Knapstone', 2.4),
  other.rubber('Larchrub 20', 10, 20),
  other.rubber('Mallow Skin', 100, 12),
];

/** Made-up data sheets of made-up makers, with what each of them states. */
export const MADE_UP_SHEETS: readonly MadeUpSheet[] = [...ofCards, ...ofSeveral, ...ofFamilies];
