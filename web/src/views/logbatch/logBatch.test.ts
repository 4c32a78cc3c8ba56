// @vitest-environment happy-dom
import { dropsPerG, saltmarshAdditives, saltmarshCard, type Batch } from '@warm-jar/core';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { h } from 'vue';
import { useDraft } from '../../stores/draft';
import { useProducts } from '../../stores/products';
import { useShelf } from '../../stores/shelf';
import { mounted, refusal, used, type Answers, type Mounted, type Used } from '../../testing/mounted';
import { pretendStudio, sentTo, storedBatch } from '../../testing/pretendedStudio';
import { usePicks } from './usePicks';
import { useLogBatch } from './useLogBatch';

const card = saltmarshCard('house-clear-6');
function useWhole(code: string | null) {
  void useProducts().load();
  return { log: useLogBatch(code), shelf: useShelf() };
}
let page: Used<ReturnType<typeof useWhole>> | null = null;
beforeEach(() => {
  window.localStorage.clear();
});
afterEach(() => {
  page?.unmount();
  page = null;
});
async function open(code: string | null, more: Answers = () => undefined) {
  const asked = pretendStudio([storedBatch('B-0001')], (a) => {
    const own = more(a);
    if (own) return own;
    if (a.path.startsWith('/batches?')) return { body: { items: [], page: 1, pageSize: 50, total: 0 } };
    return undefined;
  });
  page = await used(() => useWhole(code));
  await page.settle();
  return { log: page.result.log, shelf: page.result.shelf, asked, router: page.router };
}

describe('a draft of a batch', () => {
  it('that is new is stored under the code that the server gives it, and is gone then', async () => {
    const { log, asked, router } = await open(null, ({ method, path, body }) =>
      method === 'POST' && path === '/batches'
        ? { status: 201, body: { ...(body as Batch), code: 'B-0042' }, version: 1 }
        : undefined,
    );
    log.context.set('product.slug', 'house-clear-6');
    log.context.set('mix.amountA', 147);
    await log.save();
    await page!.settle();
    const [sent] = sentTo(asked, 'POST', '/batches') as Batch[];
    expect(sent).toMatchObject({ product: { slug: 'house-clear-6' }, mix: { amountA: 147 } });
    expect(router.currentRoute.value.params['code']).toBe('B-0042');
    expect(log.context.draft.value).toBeNull();
  });
  it('is not sent while a field cannot be read, and says how many need a look', async () => {
    const { log, asked } = await open(null);
    await log.save();
    expect(log.problem.value).toBe('Not saved yet: one field needs a look. Nothing you typed is lost.');
    log.context.set('mix.amountA', null, '14o');
    await log.save();
    expect(log.problem.value).toContain('2 fields need a look');
    expect(log.context.issues.value['mix.amountA']).toContain('Write a number');
    expect(sentTo(asked, 'POST', '/batches')).toEqual([]);
  });
  it('of a stored batch names the version that it started from', async () => {
    const { log, asked } = await open('B-0001', ({ method, body }) =>
      method === 'PUT' ? { body, version: 4 } : undefined,
    );
    log.context.set('note', 'put right');
    await log.save();
    const put = asked.find((a) => a.method === 'PUT')!;
    expect(put.headers.get('if-match')).toBe('"3"');
    expect(put.body).toMatchObject({ code: 'B-0001', note: 'put right' });
  });
  it('keeps every word over a refusal, each issue at its field, until that field is changed', async () => {
    const { log } = await open(null, ({ method, path }) =>
      method === 'POST' && path === '/batches'
        ? { status: 400, body: refusal('invalid-input', 'Look again.', [{ path: 'mould.code', message: 'No slash.' }]) }
        : undefined,
    );
    log.context.set('product.slug', 'house-clear-6');
    log.context.set('mould.code', 'M/1');
    await log.save();
    expect(log.problem.value).toBe('Look again.');
    expect(log.context.issues.value['mould.code']).toBe('No slash.');
    log.context.set('mould.code', 'M-1');
    expect(log.context.issues.value['mould.code']).toBeUndefined();
    expect(log.saving.value).toBe(false);
  });
  describe('that somebody else saved over', () => {
    const theirs = storedBatch('B-0001', { note: 'theirs', room: { temperatureC: 17, humidityPct: 70 } });
    const answers =
      (taken: { after: boolean }): Answers =>
      ({ method, path, headers, body }) => {
        if (method === 'PUT' && headers.get('if-match') === '"3"') {
          taken.after = true;
          return { status: 409, body: refusal('version-conflict', 'Somebody saved it meanwhile.', []) };
        }
        if (method === 'PUT') return { body, version: 5 };
        if (taken.after && path === '/batches/B-0001') return { body: theirs, version: 4 };
        if (path === '/batches/B-0001/history')
          return {
            body: {
              items: [
                {
                  version: 4,
                  at: '2026-03-14T09:00:00Z',
                  by: 'KO',
                  action: 'replaced',
                  changed: ['note'],
                  verified: false,
                },
              ],
            },
          };
        return undefined;
      };
    async function met() {
      const opened = await open('B-0001', answers({ after: false }));
      const { log } = opened;
      log.context.set('note', 'mine');
      log.context.set('mix.stirMin', 9);
      await log.save();
      await page!.settle();
      return opened;
    }
    it('is met with what they changed, who they are, and what both changed', async () => {
      const { log } = await met();
      expect(log.meeting.value).toMatchObject({ code: 'B-0001', by: 'KO' });
      expect(log.meeting.value!.merged.theirs.map((t) => t.path)).toContain('room.temperatureC');
      expect(log.meeting.value!.merged.conflicts.map((c) => [c.path, c.mine, c.theirs])).toEqual([
        ['note', 'mine', 'theirs'],
      ]);
      expect(log.asMine.value).toEqual([]);
    });
    it('is put together field by field, theirs standing where both changed unless I say otherwise', async () => {
      const { log, asked } = await met();
      log.putTogether();
      expect(log.context.value('note')).toBe('theirs');
      expect(log.context.value('mix.stirMin')).toBe(9);
      expect(log.context.value('room.temperatureC')).toBe(17);
      expect(sentTo(asked, 'PUT', '/batches/B-0001')).toHaveLength(1);
      await log.save();
      expect(asked.findLast((a) => a.method === 'PUT')!.headers.get('if-match')).toBe('"4"');
    });
    it('keeps mine where I chose it', async () => {
      const { log } = await met();
      log.asMine.value = ['note'];
      log.putTogether();
      expect(log.context.value('note')).toBe('mine');
      expect(log.context.value('room.humidityPct')).toBe(70);
    });
    it('asks about every field in which they differ where the draft does not know what it began with', async () => {
      const opened = await open('B-0001', answers({ after: false }));
      opened.log.context.set('note', 'mine');
      await page!.settle();
      page!.unmount();
      for (const key of Object.keys(window.localStorage).filter((name) => name.startsWith('warm-jar.drafts'))) {
        const drafts = JSON.parse(window.localStorage.getItem(key)!) as Record<string, { base?: unknown }>;
        for (const draft of Object.values(drafts)) delete draft.base;
        window.localStorage.setItem(key, JSON.stringify(drafts));
      }
      const { log } = await open('B-0001', answers({ after: false }));
      await log.save();
      await page!.settle();
      const asked = log.meeting.value!.merged.conflicts.map((c) => c.path);
      expect(asked).toEqual(expect.arrayContaining(['note', 'room.temperatureC', 'room.humidityPct']));
      log.putTogether();
      expect(log.context.value('room.temperatureC')).toBe(17);
    });
    it('is dropped only when asked to be', async () => {
      const { log, router } = await met();
      log.dropMine();
      await page!.settle();
      expect(log.context.draft.value).toBeNull();
      expect(log.gone.value).toBe(false);
      expect(router.currentRoute.value.name).toBe('batch');
    });
  });
  it('that went on another page is said to be gone, and can be begun again', async () => {
    const { log } = await open('B-0001');
    log.context.set('note', 'typed');
    useDraft().discard('B-0001');
    await page!.settle();
    expect(log.gone.value).toBe(true);
    await log.load();
    await page!.settle();
    expect(log.gone.value).toBe(false);
    expect(log.context.value('note')).not.toBe('typed');
  });
  it('survives a reload', async () => {
    const { log } = await open(null);
    log.context.set('product.slug', 'house-clear-6');
    log.context.set('mix.amountA', 147);
    await page!.settle();
    page!.unmount();
    const again = (await open(null)).log;
    expect(again.context.value('mix.amountA')).toBe(147);
  });
  it('that cannot be read says so, and can be tried again', async () => {
    let there = false;
    const { log } = await open('B-0001', ({ path, method }) =>
      path === '/batches/B-0001' && method === 'GET' && !there
        ? { status: 503, body: refusal('away', 'Away.') }
        : undefined,
    );
    expect([log.loading.value, log.problem.value]).toEqual(['failed', 'Away.']);
    there = true;
    await log.load();
    expect([log.loading.value, log.problem.value]).toEqual(['no', null]);
  });
  it('shows each figure against the card while it is typed', async () => {
    const { log } = await open(null);
    log.context.set('product.slug', 'house-clear-6');
    await page!.settle();
    log.context.set('room.temperatureC', 12);
    expect(log.context.readings.value.get('room.temperatureC')?.state).toBe('below');
  });
  it('over a vessel\u2019s rating is not stored, whatever else is right', async () => {
    const { log, shelf, asked } = await open(null);
    await shelf.load();
    log.context.set('product.slug', 'house-clear-6');
    log.context.set('pressure.vessel', shelf.vessels[0]!.code);
    log.context.set('pressure.gaugeKPa', 2000);
    await log.save();
    expect(log.problem.value).toMatch(/^Not saved: /);
    expect(sentTo(asked, 'POST', '/batches')).toEqual([]);
  });
});

describe('what the shelf offers', () => {
  let drawn: Mounted | null = null;
  afterEach(() => {
    drawn?.unmount();
    drawn = null;
  });
  async function picks(section: string) {
    pretendStudio();
    let whole: ReturnType<typeof useWhole> | undefined;
    let offers: ReturnType<typeof usePicks> | undefined;
    const Below = {
      setup: () => {
        offers = usePicks();
        return () => null;
      },
    };
    const made = await mounted({
      setup: () => {
        whole = useWhole(null);
        return () => h(Below);
      },
    });
    drawn = made;
    await whole!.shelf.load();
    whole!.log.context.set('product.slug', card.slug);
    await made.settle();
    return { ...whole!, offered: () => offers!.picksFor(section, card) };
  }
  it('is a lot for each part, which brings its dates along', async () => {
    const { offered, log } = await picks('lots');
    expect(offered().map((p) => p.label)).toEqual(['Lot of part A', 'Lot of part B']);
    const [a] = offered();
    a!.choose(a!.options[0]!.value);
    expect(log.context.value('lotA')).toMatchObject({ code: a!.options[0]!.value });
    expect(log.context.value('lotA.openedOn')).toMatch(/^\d{4}-\d\d-\d\d$/);
    offered()[0]!.choose(null);
    expect(log.context.value('lotA')).toBeNull();
  });
  it('is a mould with its pulls counted and its wear told', async () => {
    const { offered, log } = await picks('mould');
    offered()[0]!.choose('M-12');
    expect(log.context.value('mould')).toMatchObject({ code: 'M-12', pulls: 4, thinnestMm: 6 });
    expect(offered()[0]!.warnings.join(' ')).toContain('Wear: small nick');
  });
  it('is a vessel with its rating', async () => {
    const { offered, log } = await picks('press');
    expect(offered()[0]!.options[0]!.words).toMatch(/rated .* kPa/);
    offered()[0]!.choose(offered()[0]!.options[0]!.value);
    expect(log.context.value('pressure.vessel')).toBe(offered()[0]!.options[0]!.value);
  });
  it('is a colour, of which nothing is written down but what it is', async () => {
    const { offered, log } = await picks('colour');
    const blue = saltmarshAdditives()[0]!;
    offered()[0]!.choose(blue.code);
    expect(log.context.value('additives')).toEqual([{ name: blue.name, kind: blue.kind }]);
  });
  it('turns counted drops into grams by the studio\u2019s own weighing, when asked to', async () => {
    const { offered, log } = await picks('colour');
    const counted = saltmarshAdditives().find((a) => dropsPerG(a) !== null)!;
    log.context.set('additives', [{ name: counted.name, kind: counted.kind, drops: 20 }]);
    expect(offered()).toHaveLength(2);
    offered()[1]!.choose('yes');
    expect(log.context.value('additives[0].massG')).toBeCloseTo(20 / dropsPerG(counted)!, 2);
    expect(offered()).toHaveLength(1);
  });
  it('is an inclusion with what is known of it', async () => {
    const { offered, log } = await picks('inclusions');
    const option = offered()[0]!.options[0]!;
    offered()[0]!.choose(option.value);
    expect(log.context.value('inclusions[0].what')).toBe(option.words);
  });
  it('is nothing for the other steps', async () => {
    const { offered } = await picks('pour');
    expect(offered()).toEqual([]);
  });
});
