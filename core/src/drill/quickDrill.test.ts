import { describe, expect, it } from 'vitest';
import { QUICK_TOPICS } from '../formats/drill';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { wordsIn } from '../units/wording';
import { isRightAnswer, quickQuestion, rightWords, saidWords, type QuickQuestion } from './quickDrill';

const SEEDS = Array.from({ length: 15 }, (_, i) => 11 + 97 * i);
/** Figures of a question's text, each by the words around it. */
const figure = (q: QuickQuestion, sign: RegExp) => Number(sign.exec(q.says.join(' '))?.[1]);
const rightFigure = (q: QuickQuestion) => ('figure' in q.answer ? q.answer.figure : NaN);

describe.each(QUICK_TOPICS)('a quick drill, %s', (topic) => {
  it('is the same for the same seed, and takes its right answer and no other', () => {
    for (const seed of SEEDS) {
      const q = quickQuestion(seed, topic);
      expect(quickQuestion(seed, topic)).toEqual(q);
      const right = 'choices' in q.answer ? { choice: q.answer.choices[0]! } : { figure: q.answer.figure };
      expect(isRightAnswer(q, right)).toBe(true);
      expect(isRightAnswer(q, { figure: -1 })).toBe(false);
      expect(isRightAnswer(q, { choice: 'nothing' })).toBe(false);
      expect(`${q.says.join(' ')} ${q.because.join(' ')}`).not.toMatch(/NaN|undefined|Infinity/);
      expect(saidWords(q, right, wordsIn())).toBe(rightWords(q, wordsIn()));
    }
  });
});

describe('the answers, by hand', () => {
  it('an over-pour: the part that is short comes up to its ratio', () => {
    for (const seed of SEEDS) {
      const q = quickQuestion(seed, 'over-pour');
      const [perA, a, b] = [/B ([\d.]+) for A 100/, /A ([\d.]+) g/, /A [\d.]+ g, B ([\d.]+) g/].map((s) =>
        figure(q, s),
      );
      const isBShort = b! / a! < perA! / 100;
      const add = isBShort ? (a! * perA!) / 100 - b! : (b! * 100) / perA! - a!;
      expect(rightFigure(q)).toBeCloseTo(add, 0);
    }
  });
  it('the pot: its free air less the tank’s, by the pump, before gel; later than that is wrong', () => {
    for (const seed of SEEDS) {
      const q = quickQuestion(seed, 'press-by');
      const [gelMin, freeL, kPa, tankL, tankKPa, pump] = [
        /gels ([\d.]+) min/,
        /holds ([\d.]+) L/,
        /wanted at ([\d.]+) kPa/,
        /tank of ([\d.]+) L/,
        /L at ([\d.]+) kPa/,
        /and ([\d.]+) L of free air/,
      ].map((s) => figure(q, s));
      const fillMin = (freeL! * kPa! - tankL! * (tankKPa! - kPa!)) / 101.325 / pump!;
      expect(rightFigure(q)).toBeCloseTo(gelMin! - fillMin, 1);
      expect(isRightAnswer(q, { figure: rightFigure(q) + 0.2 })).toBe(false);
      expect(isRightAnswer(q, { figure: rightFigure(q) - 0.4 })).toBe(true);
    }
  });
  it('a product: one of the choices alone may be poured so deep', () => {
    for (const seed of SEEDS) {
      const q = quickQuestion(seed, 'which-product');
      const depthMm = figure(q, /block ([\d.]+) mm/);
      const within = q.choices.filter(({ id }) => {
        const { depth, potLife } = saltmarshCard(id);
        return potLife !== undefined && (depth?.maxMm ?? 0) >= depthMm;
      });
      expect(q.choices).toHaveLength(4);
      const { choices } = q.answer as { choices: string[] };
      expect(within.map((c) => c.id)).toEqual(expect.arrayContaining(choices));
    }
  });
  it('says figures in the units that were chosen, and asks in stored ones', () => {
    const say = wordsIn({ temperature: '°F', pressure: 'psi', mass: 'oz', volume: 'fl oz', length: 'in' });
    expect(quickQuestion(11, 'over-pour', say).says.join(' ')).toMatch(/oz/);
    expect(quickQuestion(11, 'press-by', say).says.join(' ')).toMatch(/psi/);
    expect(quickQuestion(11, 'over-pour', say).answer).toEqual(quickQuestion(11, 'over-pour').answer);
  });
});
