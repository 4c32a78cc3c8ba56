import { describe, expect, it } from 'vitest';
import { EMPTY_PLACES } from '../components/emptyPlaces';
import { PLACES } from '../places/places';
import { OPENING_STEPS, isEmptyStudio, nextStep, openingSteps, stepAfter, type StudioSoFar } from './openingSteps';

const NOTHING: StudioSoFar = {
  unitsSeen: false,
  people: 0,
  products: 0,
  scales: 0,
  vessels: 0,
  moulds: 0,
  batches: 0,
};
const namesOf = (to: unknown) => (to as { name: string }).name;

describe('opening a studio', () => {
  it('goes step by step, from what there is and not from what was clicked', () => {
    expect(nextStep(NOTHING, [])?.step).toBe('units');
    expect(nextStep({ ...NOTHING, unitsSeen: true }, [])?.step).toBe('people');
    expect(nextStep({ ...NOTHING, unitsSeen: true, people: 1, products: 3 }, [])?.step).toBe('gear');
    expect(nextStep({ ...NOTHING, unitsSeen: true }, ['people', 'product'])?.step).toBe('gear');
  });
  it('is over when everything is there or was passed over', () => {
    const all = { unitsSeen: true, people: 1, products: 1, scales: 1, vessels: 0, moulds: 1, batches: 1 };
    expect(nextStep(all, [])).toBeNull();
    expect(nextStep(NOTHING, OPENING_STEPS)).toBeNull();
  });
  it('says of each step what there is already, and a way to do it', () => {
    for (const { step, has, actions, why } of openingSteps) {
      expect(has(NOTHING), step).toMatch(/no|not/);
      expect(why.length, step).toBeGreaterThan(40);
      if (step !== 'units' && step !== 'people') expect(actions.length, step).toBeGreaterThan(0);
    }
    expect(openingSteps.find((s) => s.step === 'gear')?.has({ ...NOTHING, scales: 1, vessels: 2 })).toBe(
      '1 scale, 2 vessels',
    );
  });
  it('comes to its end', () => {
    expect(OPENING_STEPS.map(stepAfter)).toEqual([...OPENING_STEPS.slice(1), null]);
  });
  it('is for a studio with nothing of its own', () => {
    expect(isEmptyStudio(NOTHING)).toBe(true);
    expect(isEmptyStudio({ ...NOTHING, people: 3, unitsSeen: true })).toBe(true);
    expect(isEmptyStudio({ ...NOTHING, moulds: 1 })).toBe(false);
  });
});

describe('every way out of an empty place', () => {
  const known = new Set(PLACES.map((p) => p.name));
  const ways = [
    ...Object.entries(EMPTY_PLACES).flatMap(([place, { ways: w }]) => w.map((way) => [place, way] as const)),
    ...openingSteps.flatMap(({ step, actions }) => actions.map((a) => [step, a] as const)),
  ];
  it.each(ways.map(([place, way]) => [`${place}: ${way.words}`, way.to] as const))('%s leads to a page', (_, to) => {
    expect(known).toContain(namesOf(to));
  });
});
