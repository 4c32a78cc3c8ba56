import { useLocalStorage, useWakeLock, useWebNotification } from '@vueuse/core';
import { onScopeDispose, ref } from 'vue';

/** How long the screen shows a signal, ms. */
const SHOWN_MS = 6_000;
const NOTES_HZ = { note: [660], warn: [660, 880], stop: [880, 660, 880, 660] } as const;
export type SignalKind = keyof typeof NOTES_HZ;
/** A signal that could not sound at once sounds no later than so, ms: it would be taken for another one. */
const STILL_DUE_MS = 500;
/** Each note's distance from the one before, its length, s, and its loudness. */
const [NOTE_S, SOUNDS_S, LOUDNESS] = [0.22, 0.18, 0.15];

/** The sound of signals. Browsers hold it back until the page was touched: that is told, not swallowed. */
function useSound() {
  const muted = useLocalStorage('warm-jar.muted', false);
  const heldBack = ref(false);
  let audio: AudioContext | null = null;
  const look = () => {
    heldBack.value = audio !== null && audio.state !== 'running';
  };
  function open(): AudioContext | null {
    if (typeof AudioContext === 'undefined') return null;
    audio ??= new AudioContext();
    audio.onstatechange = look;
    look();
    return audio;
  }
  function sound(context: AudioContext, kind: SignalKind): void {
    NOTES_HZ[kind].forEach((hz, i) => {
      const tone = context.createOscillator();
      const gain = context.createGain();
      tone.frequency.value = hz;
      gain.gain.value = LOUDNESS;
      tone.connect(gain).connect(context.destination);
      tone.start(context.currentTime + i * NOTE_S);
      tone.stop(context.currentTime + i * NOTE_S + SOUNDS_S);
    });
  }
  function play(kind: SignalKind): void {
    const context = muted.value ? null : open();
    if (context === null) return;
    if (context.state === 'running') {
      sound(context, kind);
      return;
    }
    // One just opened on a page that was touched is let sound in a moment; one that is held back, at whatever touch comes.
    const from = performance.now();
    void context.resume().then(() => {
      look();
      if (context.state === 'running' && performance.now() - from < STILL_DUE_MS) sound(context, kind);
    });
  }
  /** A touch lets it sound: asked for at once after a reload, before the first signal is due. */
  async function wake(): Promise<void> {
    await open()?.resume();
    look();
  }
  /**
   * Whether the browser lets it sound is told before the first signal is due. Where nobody touched the page yet it does
   * not: nothing is opened to learn that, which takes a phone a tenth of a second as the page comes.
   */
  function listen(): void {
    const canSound = typeof AudioContext !== 'undefined';
    if (canSound && audio === null && navigator.userActivation?.hasBeenActive === false) heldBack.value = true;
    else open();
  }
  onScopeDispose(() => {
    void audio?.close();
  });
  return { muted, heldBack, play, wake, listen };
}

/** Words spoken by the browser's own voice, where it has one and they are wished for. */
function useSpeech() {
  const wanted = useLocalStorage('warm-jar.spoken', false);
  const can = typeof speechSynthesis !== 'undefined';
  return {
    can,
    wanted,
    say: (words: string): void => {
      if (!can || !wanted.value) return;
      // The newest counts: what is still waiting to be said is of a moment ago.
      speechSynthesis.cancel();
      speechSynthesis.speak(new SpeechSynthesisUtterance(words));
    },
  };
}

/** Signals on the screen, by sound, by the browser's notice where it is allowed, and spoken on wish. */
export function useSignals() {
  const sound = useSound();
  const speech = useSpeech();
  const notice = useWebNotification({ requestPermissions: false });
  const awake = useWakeLock();
  const shown = ref<{ kind: SignalKind; says: string } | null>(null);
  const given = new Set<string>();
  let timer = 0;

  /** Gives a signal once for its key. */
  function give(key: string, kind: SignalKind, says: string): void {
    if (given.has(key)) return;
    given.add(key);
    shown.value = { kind, says };
    sound.play(kind);
    speech.say(says);
    // Somebody who looks at the page sees it there.
    if (notice.permissionGranted.value && document.hidden) void notice.show({ title: says, tag: key });
    window.clearTimeout(timer);
    timer = window.setTimeout(() => {
      shown.value = null;
    }, SHOWN_MS);
  }
  onScopeDispose(() => {
    window.clearTimeout(timer);
    if (awake.isActive.value) void awake.release();
  });
  return {
    muted: sound.muted,
    heldBack: sound.heldBack,
    listen: sound.listen,
    wake: sound.wake,
    speech,
    notice,
    shown,
    give,
    /** Keeps the screen on while a run is at work. */
    keepAwake: async (on: boolean): Promise<void> => {
      if (!awake.isSupported.value || on === awake.isActive.value) return;
      await (on ? awake.request('screen') : awake.release());
    },
    forget: () => {
      given.clear();
    },
  };
}
export type RunSignals = ReturnType<typeof useSignals>;
