// @vitest-environment happy-dom
import { afterEach, describe, expect, it } from 'vitest';
import { ref } from 'vue';
import { refusal, used, type Answers, type Used } from '../testing/mounted';
import { pretendStudio, sentTo, storedBatch } from '../testing/pretendedStudio';
import { castingSet, useCastingWrites } from './castingWrites';
import { useStoredBatch } from './storedBatch';

const batch = storedBatch('B-0005', { castings: [{ id: 'k1' }, { id: 'k2', price: 9 }] });
let page: Used<ReturnType<typeof useCastingWrites>> | null = null;
afterEach(() => {
  page?.unmount();
  page = null;
});

describe('what is said of a casting', () => {
  it('is set where it stands in the list, over what stood there', () => {
    expect(castingSet(batch, 'k2', { price: 12, reason: 'chip' })).toEqual([
      { path: 'castings[1].price', was: 9, value: 12 },
      { path: 'castings[1].reason', was: null, value: 'chip' },
    ]);
    expect(castingSet(batch, 'k2', { price: null })[0]).toMatchObject({ value: null });
  });
  it('writes down the one casting of a batch that tells none apart', () => {
    const one = storedBatch('B-0006', { castings: null });
    expect(castingSet(one, null, { price: 12 })).toEqual([
      { path: 'castings', was: null, value: [{ id: 'k1', price: 12 }] },
    ]);
  });
});

describe('writing it', () => {
  const open = async (more: Answers) => {
    const asked = pretendStudio([batch], more);
    page = await used(() => {
      const stored = useStoredBatch(ref('B-0005'));
      return useCastingWrites(ref('B-0005'), stored.batch, stored.load);
    });
    await page.settle();
    return { writes: page.result, asked };
  };
  it('sends only what changed, and tells castings apart as one list', async () => {
    const { writes, asked } = await open(({ path }) =>
      path.endsWith('/entries') ? { body: batch, version: 4 } : undefined,
    );
    await writes.say('k1', { soldOn: '2027-03-18' });
    await writes.tellApart([{ id: 'k1' }]);
    expect(sentTo(asked, 'POST', '/batches/B-0005/entries')).toMatchObject([
      { set: [{ path: 'castings[0].soldOn', value: '2027-03-18' }], add: [] },
      { set: [{ path: 'castings', value: [{ id: 'k1' }] }] },
    ]);
    expect(writes.problem.value).toBeNull();
  });
  it('says why it was refused', async () => {
    const { writes } = await open(({ path }) =>
      path.endsWith('/entries') ? { status: 400, body: refusal('bad', 'Must be 0 or more.') } : undefined,
    );
    await writes.say('k1', { price: -3 });
    expect(writes.problem.value).toBe('Must be 0 or more.');
  });
});
