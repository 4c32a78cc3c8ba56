// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { nextTick, ref } from 'vue';
import { useLoaded } from '../components/useLoaded';
import { ApiProblem } from '../api/http';
import { refusal, used, type Used } from '../testing/mounted';
import { pretendStudio, sentTo, storedBatch } from '../testing/pretendedStudio';
import { useEnterNow } from './enterNow';
import { useProducts } from './products';
import { useSession } from './session';
import { useShelf } from './shelf';
import { useStoredBatch } from './storedBatch';
import { useUnits, validChoice } from './units';

let page: Used<unknown> | null = null;
async function use<T>(composable: () => T): Promise<Used<T>> {
  const made = await used(composable);
  page = made;
  return made;
}
beforeEach(() => {
  window.localStorage.clear();
});
afterEach(() => {
  page?.unmount();
  page = null;
});

describe('one batch from the log', () => {
  it('comes with the card it was made with, and its version', async () => {
    pretendStudio([storedBatch('B-0001')]);
    const { result, settle } = await use(() => useStoredBatch(ref('B-0001')));
    await settle();
    expect(result.batch.value?.code).toBe('B-0001');
    expect(result.product.value?.slug).toBe('house-clear-6');
    expect([result.version.value, result.problem.value]).toEqual([3, null]);
  });
  it('that is not there says so, and the next code is read anew', async () => {
    pretendStudio([storedBatch('B-0002')]);
    const code = ref('B-0009');
    const { result, settle } = await use(() => useStoredBatch(code));
    await settle();
    expect(result.problem.value).toBe('Not there.');
    expect(result.batch.value).toBeNull();
    code.value = 'B-0002';
    await settle();
    expect([result.batch.value?.code, result.problem.value]).toEqual(['B-0002', null]);
  });
});

describe('something that is loaded', () => {
  const deferred = () => {
    const answers: ((value: string) => void)[] = [];
    const refusals: ((error: unknown) => void)[] = [];
    const read = () =>
      new Promise<string>((done, fail) => {
        answers.push(done);
        refusals.push(fail);
      });
    return { read, answers, refusals };
  };
  it('is overtaken by a newer question', async () => {
    const { read, answers } = deferred();
    const { result } = await use(() => useLoaded(read, 'It could not be read.', { now: false }));
    const [first, second] = [result.load(), result.load()];
    answers[1]!('new');
    answers[0]!('old');
    await Promise.all([first, second]);
    expect(result.value.value).toBe('new');
    expect(result.loading.value).toBe(false);
  });
  it('says what the server said, and its own words for what nobody foresaw', async () => {
    const { read, refusals } = deferred();
    const { result } = await use(() => useLoaded(read, 'It could not be read.', { now: false }));
    const first = result.load();
    refusals[0]!(new ApiProblem('busy', 'Try again in a moment.', 429));
    await first;
    expect(result.problem.value).toBe('Try again in a moment.');
    const second = result.load();
    refusals[1]!(new Error('x'));
    await second;
    expect(result.problem.value).toBe('It could not be read.');
  });
});

describe('the shelf and the cards', () => {
  it('are read together, and vessels found among the gear', async () => {
    pretendStudio();
    const { result } = await use(() => ({ shelf: useShelf(), products: useProducts() }));
    await result.shelf.load();
    expect(result.shelf.loaded).toBe(true);
    expect(result.shelf.moulds.length).toBeGreaterThan(5);
    expect(result.shelf.vessels.every((v) => v.kind === 'pressure-vessel')).toBe(true);
    await result.products.load();
    expect(result.products.bySlug.get('house-clear-6')?.name).toBeTruthy();
  });
  it('say why they could not be read, and count as looked for', async () => {
    pretendStudio([], ({ path }) =>
      path === '/shelf' ? { status: 503, body: refusal('disk', 'The disk is full.') } : undefined,
    );
    const { result } = await use(useShelf);
    await result.load();
    expect([result.problem, result.loaded]).toEqual(['The disk is full.', true]);
  });
  it('read an older revision once, and again where that failed', async () => {
    let tries = 0;
    const asked = pretendStudio([], ({ path }) => {
      if (!path.includes('/revisions/7')) return undefined;
      tries += 1;
      return tries === 1 ? { status: 503, body: refusal('away', 'Away.') } : undefined;
    });
    const { result } = await use(useProducts);
    await expect(result.at('house-clear-6', 7)).rejects.toThrow('Away.');
    await expect(result.at('house-clear-6', 7)).rejects.toThrow('Not there.');
    expect(asked.filter((a) => a.path.endsWith('/revisions/7'))).toHaveLength(2);
  });
});

describe('one thing entered at once', () => {
  it('names who works here, when, and a key of its own', async () => {
    const asked = pretendStudio([storedBatch('B-0001')], ({ path }) =>
      path.endsWith('/entries') ? { body: storedBatch('B-0001'), version: 4 } : undefined,
    );
    const { result } = await use(() => ({ enter: useEnterNow(), session: useSession() }));
    result.session.choose('RV');
    await result.enter('B-0001', { add: [{ path: 'quickTests', value: { test: 'acetone' } }] });
    await result.enter('B-0001', { set: [{ path: 'note', was: null, value: 'x' }] });
    const [first, second] = sentTo(asked, 'POST', '/batches/B-0001/entries') as Record<string, unknown>[];
    expect(first).toMatchObject({ by: 'RV', over: false, set: [], add: [{ path: 'quickTests' }] });
    expect(second!['key']).not.toBe(first!['key']);
    expect(first!['at']).toMatch(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d[+-]\d\d:\d\d$/);
  });
});

describe('units', () => {
  it('drop a choice that does not exist any more', () => {
    expect(validChoice({ temperature: 'K2', mass: 'oz' })).toMatchObject({ temperature: '°C', mass: 'oz' });
    expect(validChoice({})).toMatchObject({ pressure: 'kPa', volume: 'mL' });
  });
  it('show and store a figure both ways, and leave what has no unit of choice', async () => {
    pretendStudio();
    const { result } = await use(useUnits);
    result.choose('pressure', 'psi');
    await nextTick();
    expect(result.label('kPa')).toBe('psi');
    expect(result.stored(result.shown(310, 'kPa'), 'kPa')).toBeCloseTo(310, 9);
    expect([result.label('%'), result.shown(5, '%'), result.stored(5, '%')]).toEqual(['%', 5, 5]);
  });
});
