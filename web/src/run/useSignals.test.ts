// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { used, type Used } from '../testing/mounted';
import { useSignals, type RunSignals } from './useSignals';

/** What a browser does with sound: it runs, or is held back until the page was touched. */
class PretendedAudio {
  static made: PretendedAudio[] = [];
  static state: AudioContextState = 'running';
  static lets = true;
  state = PretendedAudio.state;
  currentTime = 0;
  destination = {};
  tones: number[] = [];
  onstatechange: (() => void) | null = null;
  constructor() {
    PretendedAudio.made.push(this);
  }
  resume() {
    if (PretendedAudio.lets) this.state = 'running';
    this.onstatechange?.();
    return Promise.resolve();
  }
  close = () => Promise.resolve();
  createGain = () => ({ gain: { value: 0 }, connect: (to: unknown) => to });
  createOscillator = () => ({
    frequency: { value: 0 },
    connect: (to: unknown) => to,
    start: (at: number) => {
      this.tones.push(at);
    },
    stop: () => undefined,
  });
}
const spoken: string[] = [];

let page: Used<RunSignals> | null = null;
async function open(): Promise<RunSignals> {
  page = await used(() => useSignals());
  return page.result;
}
const tones = () => PretendedAudio.made.flatMap((a) => a.tones).length;

beforeEach(() => {
  window.localStorage.clear();
  spoken.length = 0;
  [PretendedAudio.made, PretendedAudio.state, PretendedAudio.lets] = [[], 'running', true];
  vi.stubGlobal('AudioContext', PretendedAudio);
  vi.stubGlobal('speechSynthesis', {
    cancel: () => undefined,
    speak: (u: { text: string }) => {
      spoken.push(u.text);
    },
  });
  vi.stubGlobal(
    'SpeechSynthesisUtterance',
    class {
      constructor(readonly text: string) {}
    },
  );
});
afterEach(() => {
  page?.unmount();
  page = null;
  vi.unstubAllGlobals();
});

describe('a signal', () => {
  it('is shown and sounds once for its key', async () => {
    const signals = await open();
    signals.give('pot-1', 'warn', 'One minute of pot life left');
    expect(signals.shown.value).toEqual({ kind: 'warn', says: 'One minute of pot life left' });
    expect(tones()).toBe(2);
    signals.give('pot-1', 'warn', 'One minute of pot life left');
    expect(tones()).toBe(2);
    signals.give('pot-over', 'stop', 'Pot life is over');
    expect(tones()).toBe(6);
  });
  it('is silent where that is wished, and shown all the same', async () => {
    const signals = await open();
    signals.muted.value = true;
    signals.give('x', 'stop', 'Pot life is over');
    expect([tones(), signals.shown.value?.says]).toEqual([0, 'Pot life is over']);
  });
  it('is given again for another run', async () => {
    const signals = await open();
    signals.give('x', 'note', 'Look');
    signals.forget();
    signals.give('x', 'note', 'Look');
    expect(tones()).toBe(2);
  });
});

describe('sound that the browser holds back', () => {
  it('is said before the first signal is due, and let go by a touch', async () => {
    PretendedAudio.state = 'suspended';
    const signals = await open();
    signals.listen();
    expect(signals.heldBack.value).toBe(true);
    await signals.wake();
    expect(signals.heldBack.value).toBe(false);
    signals.give('x', 'note', 'Look');
    expect(tones()).toBe(1);
  });
  it('goes on being said where the touch did not help', async () => {
    [PretendedAudio.state, PretendedAudio.lets] = ['suspended', false];
    const signals = await open();
    signals.listen();
    await signals.wake();
    signals.give('x', 'note', 'Look');
    expect([signals.heldBack.value, tones()]).toEqual([true, 0]);
  });
  const touched = (hasBeenActive: boolean) => {
    Object.defineProperty(navigator, 'userActivation', { configurable: true, value: { hasBeenActive } });
  };
  afterEach(() => {
    Reflect.deleteProperty(navigator, 'userActivation');
  });
  it('is said of a page that nobody touched yet without opening any, and opened by a touch', async () => {
    touched(false);
    const signals = await open();
    signals.listen();
    expect([signals.heldBack.value, PretendedAudio.made]).toEqual([true, []]);
    await signals.wake();
    expect([signals.heldBack.value, PretendedAudio.made.length]).toEqual([false, 1]);
  });
  it('is opened at once where the page was touched', async () => {
    touched(true);
    const signals = await open();
    signals.listen();
    expect([signals.heldBack.value, PretendedAudio.made.length]).toEqual([false, 1]);
  });
  it('lets a signal sound that opens it on a page that was touched', async () => {
    PretendedAudio.state = 'suspended';
    const signals = await open();
    signals.give('x', 'note', 'Look');
    expect(tones()).toBe(0);
    await page!.settle();
    expect([tones(), signals.heldBack.value]).toEqual([1, false]);
  });
  it('lets a signal of a while ago sound no more when a touch comes', async () => {
    PretendedAudio.state = 'suspended';
    const signals = await open();
    const now = vi.spyOn(performance, 'now').mockReturnValue(1_000);
    signals.give('x', 'note', 'Look');
    now.mockReturnValue(1_600);
    await page!.settle();
    expect([tones(), signals.heldBack.value]).toEqual([0, false]);
    now.mockRestore();
  });
  it('is no matter to a browser without sound', async () => {
    vi.stubGlobal('AudioContext', undefined);
    touched(false);
    const signals = await open();
    signals.listen();
    signals.give('x', 'note', 'Look');
    expect([signals.heldBack.value, signals.shown.value?.says]).toEqual([false, 'Look']);
  });
});

describe('spoken words', () => {
  it('are said on wish alone, and the wish is kept', async () => {
    const signals = await open();
    signals.give('a', 'note', 'Scrape the wall');
    expect(spoken).toEqual([]);
    signals.speech.wanted.value = true;
    signals.give('b', 'note', 'Scrape the bottom');
    expect(spoken).toEqual(['Scrape the bottom']);
    await page!.settle();
    page!.unmount();
    expect((await open()).speech.wanted.value).toBe(true);
  });
});

describe('the browser’s notice', () => {
  const notices: string[] = [];
  it.each([
    ['granted', true, ['Pot life is over']],
    ['granted', false, []],
    ['denied', true, []],
  ] as const)('%s, page hidden %s', async (permission, hidden, shown) => {
    notices.length = 0;
    vi.stubGlobal(
      'Notification',
      class {
        static permission = permission;
        static requestPermission = () => Promise.resolve(permission);
        constructor(title: string) {
          // An empty one is made to find out whether the browser knows notices at all.
          if (title) notices.push(title);
        }
        close = () => undefined;
      },
    );
    vi.spyOn(document, 'hidden', 'get').mockReturnValue(hidden);
    const signals = await open();
    signals.give('pot-over', 'stop', 'Pot life is over');
    await page!.settle();
    expect(notices).toEqual(shown);
    vi.restoreAllMocks();
  });
});

describe('the screen', () => {
  it('is kept on while a run is at work, and let go after it', async () => {
    const asked: string[] = [];
    const sentinel = Object.assign(new EventTarget(), {
      released: false,
      release: () => {
        asked.push('release');
        sentinel.released = true;
        return Promise.resolve();
      },
    });
    Object.defineProperty(navigator, 'wakeLock', {
      configurable: true,
      value: {
        request: (what: string) => {
          asked.push(what);
          return Promise.resolve(sentinel);
        },
      },
    });
    const signals = await open();
    await signals.keepAwake(true);
    await signals.keepAwake(true);
    expect(asked).toEqual(['screen']);
    await signals.keepAwake(false);
    expect(asked).toEqual(['screen', 'release']);
    Reflect.deleteProperty(navigator, 'wakeLock');
  });
  it('is left alone by a browser that cannot', async () => {
    const signals = await open();
    await expect(signals.keepAwake(true)).resolves.toBeUndefined();
  });
});
