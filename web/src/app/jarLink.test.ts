// @vitest-environment happy-dom
import { saltmarshCard, soundBatch } from '@warm-jar/core';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { defineComponent, getCurrentInstance, h, nextTick } from 'vue';
import TimeWord from '../components/TimeWord.vue';
import { useLive } from '../stores/live';
import { dueClock, isLiquid, workItem } from '../stores/urgency';
import { countdown } from '../run/countdown';
import { mounted, pretendServer, type Mounted } from '../testing/mounted';
import BenchCard from '../views/today/BenchCard.vue';
import JarLink from './JarLink.vue';

const START = Date.parse('2027-03-18T14:30:00Z');
const item = workItem(
  saltmarshCard('house-clear-6'),
  soundBatch('house-clear-6', {
    code: 'B-0500',
    startedAt: '2027-03-18T14:30:00+00:00',
    pour: { startedMin: null, finishedMin: null },
    degas: null,
    pressure: null,
    cure: null,
    checks: null,
  }),
);
/** One that is in no hands: nothing of it moves but what is said of it. */
const resting = workItem(
  saltmarshCard('house-clear-6'),
  soundBatch('house-clear-6', { code: 'B-0501', startedAt: '2027-03-18T14:30:00+00:00', checks: null, outcome: null }),
);
const potLifeMin = item.working.potLifeMin!;

let page: Mounted | null = null;
afterEach(() => {
  page?.unmount();
  page = null;
  vi.unstubAllGlobals();
});

/** Mounts one part, counts how often it is drawn anew, and lets the studio's clock be set. */
async function drawn(part: object, props: Record<string, unknown>) {
  let times = 0;
  pretendServer(() => ({ body: {} }));
  const live: { at: (afterMin: number) => Promise<void> } = { at: () => Promise.resolve() };
  page = await mounted(
    defineComponent(() => {
      const clock = useLive();
      // Whatever of it is drawn anew is counted, down to the links and jars that it is made of.
      getCurrentInstance()!.appContext.app.mixin({ updated: () => void (times += 1) });
      clock.nowMs = START;
      live.at = async (afterMin) => {
        clock.nowMs = START + afterMin * 60_000;
        await nextTick();
      };
      return () => h(part, props);
    }),
  );
  return { at: live.at, times: () => times, text: () => page!.text() };
}

describe.each([
  ['a jar of the shelf', JarLink],
  ['a card of Today', BenchCard],
])('%s', (_, part) => {
  it('is drawn anew when what it says changes, and not with every tick of the clock', async () => {
    expect(isLiquid(resting.stage)).toBe(false);
    const { at, times, text } = await drawn(part, { item: resting });
    await at(0.1);
    const [before, words] = [times(), text()];
    for (const ms of [250, 500, 750]) await at(0.1 + ms / 60_000);
    expect(times()).toBe(before);
    expect(text()).toBe(words);
    await at(40 * 60);
    expect(text()).not.toBe(words);
    expect(times()).toBeGreaterThan(before);
  });
  it('tells that it is late as soon as it is', async () => {
    const { at } = await drawn(part, { item });
    await at(potLifeMin - 1 / 60);
    expect(page!.root.querySelector('.late')).toBeNull();
    await at(potLifeMin + 1 / 60);
    expect(page!.root.querySelector('.late')).not.toBeNull();
  });
  it('shows the level of its jar falling', async () => {
    const { at } = await drawn(part, { item });
    const told = () => page!.root.querySelector('svg')!.getAttribute('aria-label')!;
    await at(potLifeMin / 4);
    expect(told()).toContain('75 % of pot life left');
    await at(potLifeMin * 0.9);
    expect(told()).toContain('10 % of pot life left');
  });
});

describe('a word of time', () => {
  it('follows the clock, and is marked late where that is asked for', async () => {
    const say = (atMs: number, nowMs: number) => (nowMs > atMs ? 'past' : 'to come');
    const { at, text } = await drawn(TimeWord, { atMs: START + 60_000, say, marksLate: true });
    expect(text()).toBe('to come');
    await at(2);
    expect(text()).toBe('past');
    expect(page!.root.querySelector('.late')).not.toBeNull();
  });
});

describe('the clock of the phone', () => {
  it("is the bench's, whichever part of a second it is looked at", () => {
    for (let ms = 0; ms < 20_000; ms += 130) {
      // The bench counts whole seconds since the parts met (`useRunClock`).
      const nowMin = Math.floor(ms / 1000) / 60;
      expect(dueClock(item, START + ms)).toBe(`${countdown(potLifeMin - nowMin)} left`);
    }
  });
  it('still counts the seconds of what is liquid', () =>
    expect([60, 59, 58].map((s) => dueClock(item, item.dueMs! - s * 1000))).toEqual([
      '1:00 left',
      '0:59 left',
      '0:58 left',
    ]));
});
