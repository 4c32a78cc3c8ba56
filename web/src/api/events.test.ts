import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { eventsFrom } from './events';

class PretendedSource {
  static readonly CONNECTING = 0;
  static readonly CLOSED = 2;
  static all: PretendedSource[] = [];
  readyState = 1;
  onopen: (() => void) | null = null;
  onerror: (() => void) | null = null;
  readonly heard = new Map<string, (event: { data: string }) => void>();
  constructor(readonly path: string) {
    PretendedSource.all.push(this);
  }
  addEventListener(name: string, act: (event: { data: string }) => void): void {
    this.heard.set(name, act);
  }
  close(): void {
    this.readyState = PretendedSource.CLOSED;
  }
  fail(readyState: number): void {
    this.readyState = readyState;
    this.onerror?.();
  }
}
const states: boolean[] = [];
const told: unknown[] = [];
const listen = () =>
  eventsFrom('/events', { clock: (data) => told.push(data) }, (up) => {
    states.push(up);
  });

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal('EventSource', PretendedSource);
  [PretendedSource.all, states.length, told.length] = [[], 0, 0];
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('a stream of events', () => {
  it('is read, and says whether it is up', () => {
    listen();
    const [source] = PretendedSource.all;
    expect(source!.path).toBe('/api/v1/events');
    source!.onopen!();
    source!.heard.get('clock')!({ data: '{"now":"x"}' });
    expect([told, states]).toEqual([[{ now: 'x' }], [true]]);
  });
  it('is left to the browser while that tries again by itself', () => {
    listen();
    PretendedSource.all[0]!.fail(PretendedSource.CONNECTING);
    vi.advanceTimersByTime(60_000);
    expect([PretendedSource.all.length, states]).toEqual([1, [false]]);
  });
  it('is joined again where a server that starts turned it away, as often as that takes', () => {
    listen();
    for (let i = 0; i < 3; i += 1) {
      PretendedSource.all[i]!.fail(PretendedSource.CLOSED);
      vi.advanceTimersByTime(1_999);
      expect(PretendedSource.all).toHaveLength(i + 1);
      vi.advanceTimersByTime(1);
      expect(PretendedSource.all).toHaveLength(i + 2);
    }
    PretendedSource.all[3]!.onopen!();
    expect(states.at(-1)).toBe(true);
  });
  it('says how long ago the page was opened, or the stream broke, so that what changed since is told', () => {
    vi.setSystemTime(0);
    const ageOf = (i: number) => Number(/[?]age=(\d+)$/.exec(PretendedSource.all[i]!.path)?.[1]);
    vi.advanceTimersByTime(2_300);
    const opened = performance.now();
    eventsFrom('/events', {}, () => undefined, true);
    // A second more, for what is on its way.
    expect(ageOf(0)).toBe(Math.ceil(opened) + 1_000);
    PretendedSource.all[0]!.onopen!();
    vi.advanceTimersByTime(50_000);
    PretendedSource.all[0]!.fail(PretendedSource.CLOSED);
    vi.advanceTimersByTime(2_000);
    expect(ageOf(1)).toBe(3_000);
    // Turned away again: it has not heard anything since it broke.
    PretendedSource.all[1]!.fail(PretendedSource.CLOSED);
    vi.advanceTimersByTime(2_000);
    expect(ageOf(2)).toBe(5_000);
  });
  it('is not joined again once nobody listens', () => {
    const end = listen();
    PretendedSource.all[0]!.fail(PretendedSource.CLOSED);
    end();
    vi.advanceTimersByTime(60_000);
    expect(PretendedSource.all).toHaveLength(1);
  });
});
