import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { pretendStudio } from '../testing/pretendedStudio';
import { useLive } from './live';
import { useSession } from './session';

/** The stream of events, which says when it is up and when it broke. */
class PretendedSource {
  static readonly CLOSED = 2;
  static last: PretendedSource | null = null;
  readyState = 0;
  onopen: (() => void) | null = null;
  onerror: (() => void) | null = null;
  constructor() {
    PretendedSource.last = this;
  }
  readonly addEventListener = vi.fn();
  readonly close = vi.fn();
}

beforeEach(() => {
  vi.stubGlobal('EventSource', PretendedSource);
  setActivePinia(createPinia());
});
afterEach(() => {
  vi.unstubAllGlobals();
});
/** How often it was asked, once all that was begun has been sent. */
async function asksWho(asked: readonly { path: string }[]): Promise<number> {
  await new Promise((go) => setTimeout(go));
  return asked.filter((a) => a.path === '/session').length;
}

describe('who is there, asked as the stream of events begins and ends', () => {
  it('is not asked as the first one begins, for it was just told, and is asked as it breaks and comes again', async () => {
    const asked = pretendStudio();
    await useSession().ready();
    useLive();
    PretendedSource.last!.onopen!();
    expect(await asksWho(asked)).toBe(1);
    PretendedSource.last!.onerror!();
    PretendedSource.last!.onopen!();
    expect(useLive().connected).toBe(true);
    expect(await asksWho(asked)).toBe(3);
  });
  it('is asked where nobody was told yet', async () => {
    const asked = pretendStudio();
    useLive();
    PretendedSource.last!.onopen!();
    expect(await asksWho(asked)).toBe(1);
  });
  it('is asked where the first stream cannot be had', async () => {
    const asked = pretendStudio();
    await useSession().ready();
    useLive();
    PretendedSource.last!.onerror!();
    expect(await asksWho(asked)).toBe(2);
  });
});
