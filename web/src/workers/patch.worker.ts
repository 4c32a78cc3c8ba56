import { PATCH_HALF_SHARE, encodedChannel, linearChannel, type Srgb } from '@warm-jar/core';
import { answerCalls } from './answerCalls';

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
answerCalls(async ({ photo, places }: { photo: File | string; places: readonly Place[] }): Promise<Srgb[]> => {
  const blob = typeof photo === 'string' ? await (await fetch(photo)).blob() : photo;
  // Colours as the file has them: no profile of the screen comes between.
  const bitmap = await createImageBitmap(blob, { imageOrientation: 'from-image', premultiplyAlpha: 'none' });
  const half = Math.max(2, Math.round(PATCH_HALF_SHARE * Math.max(bitmap.width, bitmap.height)));
  const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('No canvas.');
  context.drawImage(bitmap, 0, 0);
  return places.map(({ x, y }) => {
    const left = Math.max(0, Math.round(x * bitmap.width) - half);
    const top = Math.max(0, Math.round(y * bitmap.height) - half);
    const width = Math.min(2 * half + 1, bitmap.width - left);
    const height = Math.min(2 * half + 1, bitmap.height - top);
    return meanOf(context.getImageData(left, top, width, height).data);
  });
}, 'The photo could not be read.');
