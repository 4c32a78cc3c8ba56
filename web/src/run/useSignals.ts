import { useLocalStorage } from '@vueuse/core';
import { ref } from 'vue';

/** How long the screen shows a signal, ms. */
const SHOWN_MS = 6_000;
const NOTES_HZ = { note: [660], warn: [660, 880], stop: [880, 660, 880, 660] } as const;
export type SignalKind = keyof typeof NOTES_HZ;

/** Signals by sound and on the screen; the sound can be silenced, the screen cannot. */
export function useSignals() {
  const muted = useLocalStorage('warm-jar.muted', false);
  const shown = ref<{ kind: SignalKind; says: string } | null>(null);
  const given = new Set<string>();
  let audio: AudioContext | null = null;
  let timer = 0;

  function play(kind: SignalKind): void {
    if (muted.value || typeof AudioContext === 'undefined') return;
    audio ??= new AudioContext();
    if (audio.state !== 'running') {
      void audio.resume();
    }
    NOTES_HZ[kind].forEach((hz, i) => {
      const tone = audio!.createOscillator();
      const gain = audio!.createGain();
      tone.frequency.value = hz;
      gain.gain.value = 0.15;
      tone.connect(gain).connect(audio!.destination);
      tone.start(audio!.currentTime + i * 0.22);
      tone.stop(audio!.currentTime + i * 0.22 + 0.18);
    });
  }

  /** Gives a signal once for its key. */
  function give(key: string, kind: SignalKind, says: string): void {
    if (given.has(key)) return;
    given.add(key);
    shown.value = { kind, says };
    play(kind);
    window.clearTimeout(timer);
    timer = window.setTimeout(() => {
      shown.value = null;
    }, SHOWN_MS);
  }
  return {
    muted,
    shown,
    give,
    forget: () => {
      given.clear();
    },
  };
}
