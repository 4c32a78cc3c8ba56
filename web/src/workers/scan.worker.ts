import jsQR from 'jsqr';
import { answerCalls } from './answerCalls';

/** A picture larger than this is made smaller before it is searched, px along its longer side. */
const LONGEST_PX = 1400;

/** What a code in a picture says; null where there is none. */
answerCalls(async (picture: Blob | ImageBitmap): Promise<string | null> => {
  const bitmap = picture instanceof Blob ? await createImageBitmap(picture) : picture;
  const scale = Math.min(1, LONGEST_PX / Math.max(bitmap.width, bitmap.height));
  const [width, height] = [
    Math.max(1, Math.round(bitmap.width * scale)),
    Math.max(1, Math.round(bitmap.height * scale)),
  ];
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('No canvas.');
  context.drawImage(bitmap, 0, 0, width, height);
  bitmap.close();
  return jsQR(context.getImageData(0, 0, width, height).data, width, height)?.data ?? null;
}, 'That is no picture.');
