import { encodedChannel, linearChannel } from '@warm-jar/core';

/** Half the side of a patch, px of the stored photo: more than a glint, less than the piece. */
const HALF_PX = 9;

/** Mean colour around each place of a photo, averaged in light; null where the photo cannot be read. */
self.onmessage = async (event: MessageEvent<{ address: string; places: { x: number; y: number }[] }>) => {
  try {
    const bitmap = await createImageBitmap(await (await fetch(event.data.address)).blob());
    const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
    const context = canvas.getContext('2d', { willReadFrequently: true });
    if (!context) throw new Error('No canvas.');
    context.drawImage(bitmap, 0, 0);
    self.postMessage(
      event.data.places.map(({ x, y }) => {
        const left = Math.max(0, Math.round(x * bitmap.width) - HALF_PX);
        const top = Math.max(0, Math.round(y * bitmap.height) - HALF_PX);
        const { data } = context.getImageData(
          left,
          top,
          Math.min(2 * HALF_PX + 1, bitmap.width - left),
          Math.min(2 * HALF_PX + 1, bitmap.height - top),
        );
        const sums = [0, 0, 0];
        for (let i = 0; i < data.length; i += 4)
          for (const k of [0, 1, 2]) sums[k]! += linearChannel((data[i + k] ?? 0) / 255);
        return sums.map((s) => Math.round(encodedChannel(s / (data.length / 4)) * 2550) / 10);
      }),
    );
  } catch {
    self.postMessage(null);
  }
};
