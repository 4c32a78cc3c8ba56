// @vitest-environment happy-dom
import {
  benchCase,
  drillCase,
  drillProgress,
  drillResult,
  drillView,
  quickQuestion,
  type BenchResult,
  type BenchView,
  type DrillProgress,
  type DrillView,
  type QuickView,
} from '@warm-jar/core';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { pretendStudio } from '../../testing/pretendedStudio';
import { closeScreens, noWorkers, screen } from '../../testing/screen';
import { readyWords, scoreSpec, scored, surenessSpec, timesWords } from './drillWords';

beforeEach(() => {
  noWorkers();
  sessionStorage.clear();
});
afterEach(closeScreens);

const c = drillCase(77, 3, { family: 'polyurethane' });
const none = { by: 'KO', asked: [] as string[], result: null, comesBack: null };
const view = (more: Partial<Parameters<typeof drillView>[1]> = {}): DrillView =>
  drillView(c, { id: 'a-drill', ...none, ...more });
const truth = c.truth[0]!;
/** A studio with one drill, as far as it was taken. */
function studio(asked: string[] = []) {
  const shown = () => view({ asked });
  return pretendStudio([], ({ path, method, body }) => {
    if (path.startsWith('/drills/a-drill/questions')) {
      asked.push((body as { ask: string }).ask);
      return { body: shown() };
    }
    if (path.startsWith('/drills/a-drill/answer'))
      return { body: view({ asked, result: drillResult(c, asked, body as never), comesBack: '2027-03-20T09:00:00Z' }) };
    if (path.startsWith('/drills/a-drill')) return { body: shown() };
    if (method === 'POST' && path.startsWith('/drills')) return { body: shown() };
    return undefined;
  });
}
const open = () => screen('drill', { what: 'diagnosis', id: 'a-drill' });

describe('a drill in diagnosis', () => {
  it('shows the cast, the record and the causes, without a word of what it was', async () => {
    studio();
    const page = await open();
    expect(page.root.querySelector('.cast')?.getAttribute('aria-label')).toMatch(/^A .*cast, \w+: /);
    expect(page.root.querySelectorAll('[data-sure]')).toHaveLength(view().causes.length);
    expect(page.text()).toContain('Nothing here touches the log');
    expect(page.text()).not.toMatch(/undefined|NaN|It was/);
  });
  it('tells what was asked, and what it cost', async () => {
    const asked: string[] = [];
    studio(asked);
    const page = await open();
    const ask = view().asks.find((a) => a.kind === 'field')!;
    page.root.querySelector<HTMLElement>(`[data-ask="${ask.id}"]`)!.click();
    await page.settle();
    expect(asked).toEqual([ask.id]);
    expect(page.root.querySelector('[data-told]')?.textContent).toContain(ask.label);
    expect(page.root.querySelector('[data-test="spent"]')?.textContent).toBe('1 min');
  });
  it('sends what was spread and chosen, argues the answer, and keeps it over a reload', async () => {
    sessionStorage.setItem('warm-jar.drill.a-drill', JSON.stringify({ shares: [[truth, 0.6]], mend: null }));
    const sent = studio();
    const page = await open();
    expect(page.root.querySelector(`[data-sure="${truth}"]`)?.textContent).toContain('60 %');
    expect(page.root.querySelector('[data-test="left"]')?.textContent).toContain('40 % not given');
    page.root.querySelector('form')!.dispatchEvent(new Event('submit', { cancelable: true }));
    await page.settle();
    expect(sent.find((s) => s.path.includes('/answer'))?.body).toEqual({
      shares: [{ id: truth, share: 0.6 }],
      mend: null,
    });
    expect(page.root.querySelector('[data-test="outcome"]')?.textContent).toContain('It was');
    expect(page.root.querySelectorAll('[data-step]').length).toBeGreaterThanOrEqual(2);
    expect(page.root.querySelector('[data-test="comes-back"]')?.textContent).toContain('20 Mar');
    expect(page.root.querySelector('form')).toBeNull();
  });
});

describe('a quick drill', () => {
  const question = quickQuestion(5, 'over-pour');
  const quick: QuickView = {
    id: 'q',
    topic: 'over-pour',
    by: null,
    says: [...question.says],
    asks: question.asks,
    unit: 'g',
    choices: [],
    askedAt: '2020-01-01T09:00:00Z',
    result: null,
  };
  it('asks for a figure, refuses none, and says how it is worked out', async () => {
    const result = { right: false, inTime: false, seconds: 75, was: '20 g', said: '2 g', because: ['A needs 20 g.'] };
    const sent = pretendStudio([], ({ path }) => {
      if (path.startsWith('/quick-drills/q/answer')) return { body: { ...quick, result } };
      return path.startsWith('/quick-drills/q') ? { body: quick } : undefined;
    });
    const page = await screen('drill', { what: 'quick', id: 'q' });
    expect(page.root.querySelector('[data-test="left"]')?.textContent).toBe('over');
    const submit = () => page.root.querySelector('form')!.dispatchEvent(new Event('submit', { cancelable: true }));
    submit();
    await page.settle();
    expect(page.text()).toContain('Type the figure first.');
    const box = page.root.querySelector<HTMLInputElement>('#quick-figure')!;
    box.value = '2';
    box.dispatchEvent(new Event('input', { bubbles: true }));
    submit();
    await page.settle();
    expect(sent.find((s) => s.path.includes('/answer'))?.body).toEqual({ figure: 2 });
    expect(page.root.querySelector('[data-test="outcome"]')?.textContent).toMatch(/Not right.*A needs 20 g\./s);
  });
});

describe('the drills', () => {
  const progress = (more: Partial<DrillProgress> = {}): DrillProgress => ({
    person: 'KO',
    ...drillProgress([]),
    confusions: [],
    due: 0,
    bench: { times: 0, sound: 0 },
    quick: [],
    ...more,
  });
  const home = async (p: DrillProgress) => {
    pretendStudio([], ({ path }) => {
      if (path === '/drill-progress/people') return { body: { items: [p] } };
      return path === '/drill-progress' ? { body: p } : undefined;
    });
    return screen('drill', {});
  };
  it('of nobody say nothing of how one is doing', async () => {
    const page = await home(progress());
    expect(page.root.querySelectorAll('[data-level]')).toHaveLength(5);
    expect(page.root.querySelector('#p-sure')).toBeNull();
    expect(page.root.querySelector('[data-test="due"]')).toBeNull();
  });
  it('say whether sureness came true, what is due, and who is ready', async () => {
    const done = [0, 1, 2, 3, 4].map((i) => {
      const made = drillCase(600 + i, 1, { family: 'polyurethane' });
      const result = drillResult(made, [], { shares: [{ id: made.truth[0]!, share: 1 }], mend: null });
      return { at: `2027-03-1${i}T09:00:00Z`, level: 1, family: 'polyurethane', result } as const;
    });
    const page = await home(progress({ ...drillProgress(done), due: 2 }));
    expect(page.root.querySelector('[data-test="surest"]')?.textContent).toContain('5 times, and right 5 times');
    expect(page.root.querySelector('[data-test="due"]')?.textContent).toContain('2 confusions have come back');
    expect(page.root.querySelector('[data-person="KO"]')?.textContent).toMatch(/Plain; /);
  });
});

describe('a run at the bench', () => {
  const c = benchCase(3);
  const bench = (more: Partial<BenchView> = {}): BenchView => ({
    id: 'run',
    by: null,
    product: { slug: c.product.slug, name: c.product.name },
    task: ['A 100 g, B 82 g.'],
    nowS: 0,
    pace: 4,
    metS: null,
    cardPotLifeMin: 6,
    scaleG: 0,
    gPerS: 0,
    targetG: { A: 100, B: 82 },
    pouredG: { A: 0, B: 0 },
    roomC: 22,
    humidityPct: 52,
    resinC: null,
    gaugeKPa: 0,
    pressures: [280, 320, 360],
    stirredMin: 0,
    doing: 'nothing',
    scraped: false,
    cast: false,
    shut: false,
    released: false,
    interrupted: null,
    may: ['read-lots', 'warm', 'pour'],
    look: { seed: 3, clarity: 'water-clear', colours: [] },
    result: null,
    ...more,
  });
  const open = async (view: BenchView, after: BenchView = view) => {
    // The page asks again by itself: what was done stays done.
    let now = view;
    const sent = pretendStudio([], ({ path, method }) => {
      if (!path.startsWith('/bench-drills/run')) return undefined;
      if (method === 'POST') now = after;
      return { body: now };
    });
    return { sent, page: await screen('drill', { what: 'bench', id: 'run' }) };
  };
  const button = (root: HTMLElement, act: string) => root.querySelector<HTMLButtonElement>(`[data-act="${act}"]`)!;

  it('lets what can be done be done, and nothing else', async () => {
    const poured = bench({ doing: 'pouring-a', gPerS: 3, scaleG: 12, may: ['pour', 'stop'] });
    const { page, sent } = await open(bench(), poured);
    expect(button(page.root, 'cast-false').disabled).toBe(true);
    expect(page.text()).toContain('not read');
    expect(page.root.querySelector('[data-test="met"]')?.textContent).toBe('–');
    button(page.root, 'pour-A-false').click();
    await page.settle();
    expect(sent.find((s) => s.method === 'POST')?.body).toEqual({ do: 'pour', part: 'A', thin: false });
    expect(page.root.querySelector('[data-test="doing"]')?.textContent).toBe('Pouring A');
    expect(button(page.root, 'stop').disabled).toBe(false);
  });
  it('says who is at the door', async () => {
    const { page } = await open(bench({ metS: 75, interrupted: 'Somebody is at the door.', may: [] }));
    expect(page.root.querySelector('.door')?.textContent).toContain('at the door');
    expect([...page.root.querySelectorAll<HTMLButtonElement>('[data-act]')].every((b) => b.disabled)).toBe(true);
    expect(page.root.querySelector('[data-test="met"]')?.textContent).toMatch(/^1:1[5-9]$/);
  });
  it('shows the cast that it made, with what made it so, and what the ledger says', async () => {
    const result: BenchResult = {
      lost: false,
      faults: [
        {
          kind: 'tacky',
          pattern: 'tacky-all-over',
          cause: 'ratio-off',
          title: 'Parts not in ratio',
          because: 'B was 9 % over.',
        },
      ],
      figures: [{ label: 'Stirred', says: '1.6 min' }],
      mishap: { title: 'The jug poured heavily', says: 'Stop early.' },
      diagnosis: [
        {
          kind: 'tacky',
          pattern: 'tacky-all-over',
          causes: [{ id: 'ratio-off', share: 0.93, title: 'Parts not in ratio', says: ['Ratio is above.'] }],
        },
      ],
    };
    const { page } = await open(bench({ result, may: [], pace: 0 }));
    expect(page.root.querySelector('[data-fault="ratio-off"]')?.textContent).toContain('B was 9 % over.');
    expect(page.root.querySelector('.cast')?.getAttribute('aria-label')).toContain('tacky');
    expect(page.text()).toMatch(/The jug poured heavily[\s\S]*93 %/);
    expect(page.root.querySelector('[data-act]')).toBeNull();
  });
  it('that set in the cup says so, and a sound one is praised without a fault', async () => {
    const sound: BenchResult = { lost: false, faults: [], figures: [], mishap: null, diagnosis: [] };
    expect((await open(bench({ result: sound }))).page.text()).toContain('A sound cast');
    closeScreens();
    const { page } = await open(bench({ result: { ...sound, lost: true } }));
    expect(page.text()).toContain('It set in the cup');
    // What was never cast is not drawn.
    expect(page.root.querySelector('.cast')).toBeNull();
  });
});

describe('curves of progress', () => {
  const run = (score: number, ledger = 80) => ({
    at: '2027-03-18T09:00:00Z',
    level: 1 as const,
    score,
    ledger,
    minutes: 2,
    ledgerMin: 1,
  });
  it('of the score are means of the latest five, beside the ledger’s', () => {
    const { lines } = scoreSpec([0, 100, 50, 50, 50, 100].map((s) => run(s)));
    expect(lines[0]!.points).toEqual([
      [1, 0],
      [2, 50],
      [3, 50],
      [4, 50],
      [5, 50],
      [6, 70],
    ]);
    expect(lines[1]!.points.every(([, y]) => y === 80)).toBe(true);
  });
  it('of sureness show only what was said, each with its range', () => {
    const done = drillProgress([]).calibration;
    expect(surenessSpec(done).lines[0]!.points).toEqual([]);
    const step = { ...done[4]!, times: 4, right: 3, meanShare: 0.9, low: 0.3, high: 0.95 };
    const { lines } = surenessSpec([...done.slice(0, 4), step]);
    expect(lines.map((l) => l.points.at(-1))).toEqual([
      [90, 75],
      [100, 100],
      [90, 30],
      [90, 95],
    ]);
  });
  it('words of scores, times and readiness', () => {
    expect([scored(null), scored(-12.4), scored(87.5)]).toEqual(['–', '−12', '88']);
    expect([0, 1, 2, 7].map(timesWords)).toEqual(['never', 'once', 'twice', '7 times']);
    expect(readyWords({ ready: null, times: 3 })).toBe('2 more to say');
    expect([true, false].map((ready) => readyWords({ ready, times: 9 }))).toEqual(['ready', 'not yet']);
  });
});
