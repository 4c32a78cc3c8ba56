import { encodedChannel, linearChannel, type Srgb } from '@warm-jar/core';
import { answerCalls } from './answerCalls';

/** Half the side of a patch, px of the stored photo: more than a glint, less than the piece. */
const HALF_PX = 9;

interface Place {
  readonly x: number;
  readonly y: number;
}

/** The mean of some pixels, averaged in light, 0 to 255. */
function meanOf(data: Uint8ClampedArray): Srgb {
  const mean = (channel: number) => {
    let sum = 0;
    for (let i = channel; i < data.length; i += 4) sum += linearChannel((data[i] ?? 0) / 255);
    return Math.round(encodedChannel(sum / (data.length / 4)) * 2550) / 10;
  };
  return [mean(0), mean(1), mean(2)];
}

/** Mean colour around each place of a photo. */
answerCalls(async ({ address, places }: { address: string; places: readonly Place[] }): Promise<Srgb[]> => {
  const bitmap = await createImageBitmap(await (await fetch(address)).blob());
  const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('No canvas.');
  context.drawImage(bitmap, 0, 0);
  return places.map(({ x, y }) => {
    const left = Math.max(0, Math.round(x * bitmap.width) - HALF_PX);
    const top = Math.max(0, Math.round(y * bitmap.height) - HALF_PX);
    const width = Math.min(2 * HALF_PX + 1, bitmap.width - left);
    const height = Math.min(2 * HALF_PX + 1, bitmap.height - top);
    return meanOf(context.getImageData(left, top, width, height).data);
  });
}, 'The photo could not be read.');
