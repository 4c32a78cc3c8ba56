import { onUnmounted, ref, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import { codeScanner } from '../../workers/scanCode';
import { scanned } from './scanned';

/** A camera is looked through so often, ms. */
const EVERY_MS = 250;
const NO_CAMERA =
  'The camera cannot be used here: none is there, it was refused, or this address is not a secure one. ' +
  'Take a photo of the label instead.';

/** @throws where there is none, or it was refused */
function openCamera(): Promise<MediaStream> {
  // An address that is not secure has no cameras at all.
  const devices = navigator.mediaDevices as MediaDevices | undefined;
  if (!devices) throw new Error('No cameras here.');
  return devices.getUserMedia({ video: { facingMode: 'environment' } });
}

/** What was found in a photo, or what keeps it from being found. */
function saidOfPhoto(
  outcome: { readonly result: string | null } | { readonly failure: string },
): { readonly text: string } | { readonly problem: string } {
  if ('failure' in outcome) return { problem: outcome.failure };
  return outcome.result === null
    ? { problem: 'No code was found in the photo. Go nearer, and hold it straight.' }
    : { text: outcome.result };
}

/** The camera as it looks: every moment what stands before it is handed on, until something led on. */
function useCamera(see: (of: HTMLVideoElement) => Promise<boolean>, fail: () => void) {
  const video = shallowRef<HTMLVideoElement | null>(null);
  const running = ref(false);
  let stream: MediaStream | null = null;
  let timer: ReturnType<typeof setTimeout> | null = null;

  function stop(): void {
    if (timer) clearTimeout(timer);
    stream?.getTracks().forEach((track) => {
      track.stop();
    });
    [stream, timer, running.value] = [null, null, false];
  }
  async function look(): Promise<void> {
    if (!running.value || !video.value) return;
    const isReady = video.value.readyState >= HTMLMediaElement.HAVE_CURRENT_DATA;
    if (isReady && (await see(video.value))) return;
    timer = setTimeout(() => void look(), EVERY_MS);
  }
  async function begin(): Promise<void> {
    try {
      stream = await openCamera();
      if (!video.value) return;
      video.value.srcObject = stream;
      await video.value.play();
      running.value = true;
      await look();
    } catch {
      stop();
      fail();
    }
  }
  return { video, running, begin, stop };
}

/** Scanning a label: by the camera as it looks, or from a photo. */
export function useScan() {
  const router = useRouter();
  const scanner = codeScanner();
  const problem = ref<string | null>(null);
  const words = ref<string | null>(null);

  /** @returns whether it led anywhere */
  async function follow(text: string): Promise<boolean> {
    const found = scanned(text);
    if ('words' in found) {
      words.value = found.words;
      return false;
    }
    camera.stop();
    await router.push(found.path);
    return true;
  }
  async function see(of: HTMLVideoElement): Promise<boolean> {
    const outcome = await scanner.ask(await createImageBitmap(of));
    const text = outcome && 'result' in outcome ? outcome.result : null;
    return text !== null && (await follow(text));
  }
  const camera = useCamera(see, () => {
    problem.value = NO_CAMERA;
  });
  async function ofPhoto(file: File): Promise<void> {
    [problem.value, words.value] = [null, null];
    const outcome = await scanner.ask(file);
    if (outcome === null) return;
    const said = saidOfPhoto(outcome);
    if ('text' in said) await follow(said.text);
    else problem.value = said.problem;
  }
  onUnmounted(() => {
    camera.stop();
    scanner.close();
  });
  return { ...camera, problem, words, ofPhoto };
}
