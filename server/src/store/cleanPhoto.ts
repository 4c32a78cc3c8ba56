import sharp from 'sharp';
import { Problem } from '../http/problem';

export interface Photo {
  readonly bytes: Buffer;
  readonly type: 'image/jpeg' | 'image/png';
}

/** Most pixels of a picture that is taken, and the longest side that is kept. */
const [MAX_PIXELS, LONGEST_SIDE] = [50_000_000, 2_560];
const JPEG_QUALITY = 88;

const bad = (message: string, cause?: unknown) =>
  new Problem(400, 'not-a-photo', message, [{ path: 'body', message }], cause === undefined ? undefined : { cause });

const tooMany = (cause?: unknown) =>
  bad(`The picture has more than ${MAX_PIXELS / 1e6} million points. Take or send a smaller one.`, cause);

// One picture is worked at by one thread: many at once shall not hold the machine.
sharp.concurrency(1);
sharp.cache(false);

const magic = (bytes: Buffer): Photo['type'] | null => {
  if (bytes.subarray(0, 3).equals(Buffer.from([0xff, 0xd8, 0xff]))) return 'image/jpeg';
  if (bytes.subarray(0, 8).equals(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]))) return 'image/png';
  return null;
};

/**
 * The picture painted anew: turned as the camera held it, in sRGB, no side longer than 2560 px. Nothing of the bytes
 * that were sent remains, neither what the camera wrote beside the picture nor what somebody hid behind it.
 * @throws Problem 400 for what is no whole JPEG or PNG, or has too many pixels
 */
export async function cleanPhoto(sent: Buffer): Promise<Photo> {
  const type = magic(sent);
  if (type === null) throw bad('This is neither a JPEG nor a PNG picture.');
  const read = sharp(sent, { failOn: 'error', limitInputPixels: MAX_PIXELS, pages: 1 });
  try {
    const { width, height } = await read.metadata();
    if (width * height > MAX_PIXELS) throw tooMany();
    const painted = read
      .autoOrient()
      .resize({ width: LONGEST_SIDE, height: LONGEST_SIDE, fit: 'inside', withoutEnlargement: true })
      .toColourspace('srgb');
    const bytes = await (type === 'image/png' ? painted.png() : painted.jpeg({ quality: JPEG_QUALITY })).toBuffer();
    return { bytes, type };
  } catch (error) {
    if (error instanceof Problem) throw error;
    if (error instanceof Error && /pixel limit/i.test(error.message)) throw tooMany(error);
    throw bad('The picture is damaged or cut short. Take or send it again.', error);
  }
}
