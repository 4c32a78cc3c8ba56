import { createHash } from 'node:crypto';
import { existsSync } from 'node:fs';
import { mkdir, readFile, rename, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { Problem, notFound } from '../http/problem';

export interface Photo {
  readonly bytes: Buffer;
  readonly type: 'image/jpeg' | 'image/png';
}

const bad = (message: string) => new Problem(400, 'not-a-photo', message, [{ path: 'body', message }]);

/** JPEG markers whose segments are kept: all but application data (beside the JFIF head and the colour transform) and comments. */
const keepsSegment = (marker: number) => !((marker >= 0xe1 && marker <= 0xef && marker !== 0xee) || marker === 0xfe);

/** A JPEG without what a camera wrote beside the picture: place, time, maker. @throws Problem 400 where it is cut short */
export function stripJpeg(bytes: Buffer): Buffer {
  const kept = [bytes.subarray(0, 2)];
  let at = 2;
  while (at + 4 <= bytes.length) {
    if (bytes[at] !== 0xff) break;
    const marker = bytes[at + 1]!;
    // From the start of scan on it is picture to the end.
    if (marker === 0xda) return Buffer.concat([...kept, bytes.subarray(at)]);
    const end = at + 2 + bytes.readUInt16BE(at + 2);
    if (keepsSegment(marker)) kept.push(bytes.subarray(at, end));
    at = end;
  }
  throw bad('The photo is cut short. Take or send it again.');
}

/** PNG chunks that are the picture; text, time and camera data are not. */
const PNG_CHUNKS = new Set([
  'IHDR',
  'PLTE',
  'IDAT',
  'IEND',
  'tRNS',
  'gAMA',
  'cHRM',
  'sRGB',
  'iCCP',
  'sBIT',
  'pHYs',
  'bKGD',
]);

/** A PNG with the chunks of its picture alone. @throws Problem 400 where it is cut short */
export function stripPng(bytes: Buffer): Buffer {
  const kept = [bytes.subarray(0, 8)];
  let at = 8;
  while (at + 12 <= bytes.length) {
    const end = at + 12 + bytes.readUInt32BE(at);
    const type = bytes.toString('latin1', at + 4, at + 8);
    if (end > bytes.length) break;
    if (PNG_CHUNKS.has(type)) kept.push(bytes.subarray(at, end));
    if (type === 'IEND') return Buffer.concat(kept);
    at = end;
  }
  throw bad('The photo is cut short. Take or send it again.');
}

/** The picture by what its bytes are, whatever it was called. @throws Problem 400 */
export function cleanPhoto(bytes: Buffer): Photo {
  if (bytes.length > 3 && bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff)
    return { bytes: stripJpeg(bytes), type: 'image/jpeg' };
  if (bytes.subarray(0, 8).equals(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])))
    return { bytes: stripPng(bytes), type: 'image/png' };
  throw bad('This is neither a JPEG nor a PNG picture.');
}

/** Photos as files beside the database, named by their content, so that the same one is kept once. */
export function photoStore(folder: string) {
  const name = /^[0-9a-f]{40}\.(jpg|png)$/;
  return {
    /** @throws Problem 400 for what is no photo */
    add: async (sent: Buffer): Promise<string> => {
      const { bytes, type } = cleanPhoto(sent);
      const id = `${createHash('sha256').update(bytes).digest('hex').slice(0, 40)}.${type === 'image/png' ? 'png' : 'jpg'}`;
      await mkdir(folder, { recursive: true });
      const file = join(folder, id);
      if (!existsSync(file)) {
        await writeFile(`${file}.part`, bytes);
        await rename(`${file}.part`, file);
      }
      return id;
    },
    /** @throws Problem 404 */
    get: async (id: string): Promise<Photo> => {
      if (!name.test(id) || !existsSync(join(folder, id))) throw notFound(`Photo ${id}`);
      return { bytes: await readFile(join(folder, id)), type: id.endsWith('.png') ? 'image/png' : 'image/jpeg' };
    },
  };
}

export type PhotoStore = ReturnType<typeof photoStore>;
