import { createHash, randomUUID } from 'node:crypto';
import { existsSync } from 'node:fs';
import { mkdir, readFile, rename, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { notFound } from '../http/problem';
import { fewAtOnce } from '../work/fewAtOnce';
import { cleanPhoto, type Photo } from './cleanPhoto';

/** Pictures painted anew at once, and those that may wait. */
const [MAX_AT_ONCE, MAX_WAITING] = [2, 24];

/** Photos as files beside the database, named by their content, so that the same one is kept once. */
export function photoStore(folder: string) {
  const name = /^[0-9a-f]{40}\.(jpg|png)$/;
  const few = fewAtOnce(MAX_AT_ONCE, MAX_WAITING);
  return {
    /** @throws Problem 400 for what is no photo, 429 where too many come at once */
    add: async (sent: Buffer): Promise<string> => {
      const { bytes, type } = await few.run(() => cleanPhoto(sent));
      const id = `${createHash('sha256').update(bytes).digest('hex').slice(0, 40)}.${type === 'image/png' ? 'png' : 'jpg'}`;
      await mkdir(folder, { recursive: true });
      const file = join(folder, id);
      if (!existsSync(file)) {
        const part = `${file}.${randomUUID()}.part`;
        await writeFile(part, bytes);
        await rename(part, file);
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
