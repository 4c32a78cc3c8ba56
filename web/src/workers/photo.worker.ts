import { answerCalls } from './answerCalls';

/** Longest side of a kept photo, px: enough to see a bubble, small enough for a shelf of them. */
const LONGEST_PX = 1600;
const QUALITY = 0.85;

/** A picture resized to be kept, without what the camera wrote beside it. */
answerCalls(async (file: File): Promise<Blob> => {
  const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' });
  const scale = Math.min(1, LONGEST_PX / Math.max(bitmap.width, bitmap.height));
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(bitmap.width * scale)),
    Math.max(1, Math.round(bitmap.height * scale)),
  );
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  return canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY });
}, 'That is no picture.');
