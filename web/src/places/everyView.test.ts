import { describe, expect, it } from 'vitest';
import { createMemoryHistory, createRouter } from 'vue-router';
import { VIEWS_OF_BATCHES, VIEWS_OF_STUDIO } from '../../../e2e/src/everyView';
import { PLACES } from './places';

/** Places that only lead on to another. */
const PASSED_THROUGH = ['at'];

describe('the views that are held to every size', () => {
  it('are all the places there are', () => {
    const router = createRouter({
      history: createMemoryHistory(),
      routes: PLACES.map(({ name, path }) => ({ name, path, component: {} })),
    });
    const seen = new Set([...VIEWS_OF_BATCHES, ...VIEWS_OF_STUDIO].map(([, path]) => router.resolve(path).name));
    const forgotten = PLACES.map(({ name }) => name).filter(
      (name) => !seen.has(name) && !PASSED_THROUGH.includes(name),
    );
    expect(forgotten).toEqual([]);
  });
});
