import type { Factor } from '../formats/vocabulary';

export const FACTOR_WORDS: Record<Factor, string> = {
  product: 'product',
  'lot-a': 'lot of A',
  'lot-b': 'lot of B',
  'lot-age': 'age of the lots',
  mould: 'mould',
  cavity: 'cavity',
  person: 'who made it',
  room: 'room temperature',
  damp: 'damp',
  'resin-temperature': 'resin temperature',
  ratio: 'ratio',
  scale: 'scale',
  loading: 'loading',
  stir: 'stir',
  route: 'route for the air',
  pressing: 'pressing',
  depth: 'depth',
  lamp: 'lamp',
  season: 'month',
  'time-of-day': 'time of day',
};

const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];

/** Levels in words that end "…, that is, made …". */
const LEVEL_WORDS: Record<string, string> = {
  'lot-age past': 'with a lot past its date',
  'lot-age in-date': 'with lots in date',
  'room cold': 'in a room colder than the card',
  'room in-range': 'in a room within the card',
  'room warm': 'in a room warmer than the card',
  'damp over': 'in air damper than the card',
  'damp within': "in air within the card's damp",
  'resin-temperature cold': 'with resin colder than the card',
  'resin-temperature in-range': 'with resin within the card',
  'resin-temperature warm': 'with resin warmer than the card',
  'ratio off': 'out of ratio',
  'ratio in-ratio': 'in ratio',
  'scale coarse': 'on a scale too coarse for the batch',
  'scale fine-enough': 'on a scale fine enough',
  'loading over': 'loaded over the card',
  'loading within': 'loaded within the card',
  'loading none': 'without additives',
  'stir short': 'stirred for less than the card',
  'stir long-enough': 'stirred long enough',
  'route none': 'with nothing done about the air',
  'route rest': 'rested',
  'route vacuum': 'under vacuum',
  'route pressure': 'under pressure',
  'route vacuum-then-pressure': 'under vacuum, then pressure',
  'pressing late': 'pressed after they gelled',
  'pressing low': 'pressed below the card',
  'pressing let-go': 'let go before they gelled',
  'pressing in-time': 'pressed in time',
  'pressing not-pressed': 'not pressed',
  'depth deep': 'poured deeper than the card',
  'depth shallow': 'poured shallower than the card',
  'depth in-range': "poured within the card's depth",
  'lamp on': 'with the lamp on a base that yellows',
  'lamp off': 'without the lamp on them',
  'time-of-day before-nine': 'begun before nine',
  'time-of-day morning': 'begun between nine and noon',
  'time-of-day midday': 'begun around noon',
  'time-of-day afternoon': 'begun in the afternoon',
  'time-of-day evening': 'begun in the evening',
};

/**
 * How a group of batches is called: "from lot B-52", "in August".
 * @param names names of products by slug, where known
 */
export function levelWords(factor: Factor, level: string, names: Readonly<Record<string, string>> = {}): string {
  if (factor === 'product') return `of ${names[level] ?? level}`;
  if (factor === 'lot-a' || factor === 'lot-b') return `from lot ${level}`;
  if (factor === 'mould') return `in mould ${level}`;
  if (factor === 'cavity') return `in cavity ${level}`;
  if (factor === 'person') return `made by ${level}`;
  if (factor === 'season') return `in ${MONTHS[Number(level) - 1] ?? level}`;
  return LEVEL_WORDS[`${factor} ${level}`] ?? `${FACTOR_WORDS[factor]} ${level}`;
}
