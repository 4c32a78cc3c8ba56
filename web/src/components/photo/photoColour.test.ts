import { describe, expect, it } from 'vitest';
import { colourOf, pickProblem, picksOf } from './photoColour';

const card: [number, number, number] = [230, 230, 230];

describe('the colour in a photo', () => {
  it('of what is as the card is neutral, and of what lacks blue is yellow', () => {
    expect(Math.abs(colourOf({ card, cast: card, sample: null }).colour!.b)).toBeLessThan(0.2);
    const yellow = colourOf({ card, cast: [228, 220, 160], sample: null }).colour!;
    expect(yellow.b).toBeGreaterThan(20);
    expect(yellow.yellownessIndex).toBeGreaterThan(20);
    expect(yellow.againstSample).toBeNull();
  });
  it('under a yellow lamp is the same once the card has taken the lamp out', () => {
    const lamp = (c: [number, number, number]): [number, number, number] => [c[0], c[1] * 0.95, c[2] * 0.8];
    const [day, evening] = [
      colourOf({ card, cast: [210, 205, 180], sample: null }),
      colourOf({ card: lamp(card), cast: lamp([210, 205, 180]), sample: null }),
    ];
    expect(Math.abs(day.colour!.b - evening.colour!.b)).toBeLessThan(2.5);
  });
  it('against the untouched sample is the difference of the two', () => {
    const { colour } = colourOf({ card, cast: [220, 212, 170], sample: [220, 216, 200] });
    const own = colourOf({ card, cast: [220, 216, 200], sample: null }).colour!;
    expect(colour!.againstSample).toBeCloseTo(colour!.b - own.b, 1);
  });
  it('of a burnt-out or dark card is refused with what to do', () => {
    expect(colourOf({ card: [255, 255, 255], cast: [200, 190, 150], sample: null })).toMatchObject({
      colour: null,
      problem: expect.stringContaining('burnt out') as string,
    });
    expect(colourOf({ card: [4, 4, 4], cast: [2, 2, 2], sample: null })).toMatchObject({
      colour: null,
      problem: expect.any(String) as string,
    });
  });
});

describe('picked places', () => {
  const picks = { card: { x: 0.2, y: 0.5 } };
  it('are refused where two would be the same, naming both', () => {
    expect(pickProblem(picks, 'cast', { x: 0.21, y: 0.5 })).toBe(
      'Cast and white card are the same place. Pick another.',
    );
    expect(pickProblem(picks, 'cast', { x: 0.5, y: 0.5 })).toBeNull();
  });
  it('may be picked again where they were', () => expect(pickProblem(picks, 'card', { x: 0.2, y: 0.5 })).toBeNull());
  it('are kept with the photo, and read from it', () => {
    expect(picksOf({ id: 'a', picks: { card: { x: 0.1, y: 0.2 }, cast: null } })).toEqual({ card: { x: 0.1, y: 0.2 } });
    expect(picksOf({ id: 'a' })).toEqual({});
  });
  it('say on what they were measured', () =>
    expect(colourOf({ card, cast: [220, 210, 180], sample: null, from: 'kept' }).colour!.from).toBe('kept'));
});
