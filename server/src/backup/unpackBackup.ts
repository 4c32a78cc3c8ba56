import { createWriteStream, statfsSync } from 'node:fs';
import { mkdir } from 'node:fs/promises';
import { basename, join } from 'node:path';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { crc32 } from 'node:zlib';
import { openPromise, type Entry, type ZipFile } from 'yauzl';
import { Problem } from '../http/problem';
import { DATABASE_NAME, MANIFEST_NAME, PHOTO_FOLDER, PHOTO_NAME } from './manifest';

/**
 * Most that a backup may hold, in all and of its manifest, bytes; and
 * most entries. A zip that claims more is not ours.
 */
const [MAX_BYTES, MAX_MANIFEST_BYTES, MAX_ENTRIES] = [8_000_000_000, 100_000, 200_000];
/** Room that is left on the disk beside what is unpacked, bytes. */
const SPARE_BYTES = 100_000_000;

type Refuse = (message: string, cause?: unknown) => Problem;

/** A file of the zip that belongs to a backup, and the name it is kept under; null for what does not. */
function keptAs(name: string): string | null {
  if (name === MANIFEST_NAME || name === DATABASE_NAME) return name;
  const photo = name.startsWith(`${PHOTO_FOLDER}/`) ? name.slice(PHOTO_FOLDER.length + 1) : '';
  return PHOTO_NAME.test(photo) && basename(photo) === photo ? join(PHOTO_FOLDER, photo) : null;
}

/** The entries that belong to a backup, counted before a byte of them is unpacked. */
async function entriesOf(zip: ZipFile, damaged: (cause: unknown) => Problem, bad: Refuse): Promise<Entry[]> {
  if (zip.entryCount > MAX_ENTRIES)
    throw bad(`The zip holds ${zip.entryCount} files, more than a backup can. Choose another.`);
  const kept = new Map<string, Entry>();
  let bytes = 0;
  await new Promise<void>((done, fail) => {
    zip.on('error', (error: Error) => {
      fail(damaged(error));
    });
    zip.on('end', () => {
      done();
    });
    zip.on('entry', (entry: Entry) => {
      if (keptAs(entry.fileName) !== null) {
        bytes += entry.uncompressedSize;
        if (kept.has(entry.fileName)) {
          fail(bad(`${entry.fileName} stands in the zip twice. Choose another backup.`));
          return;
        }
        kept.set(entry.fileName, entry);
      }
      zip.readEntry();
    });
    zip.readEntry();
  });
  if ((kept.get(MANIFEST_NAME)?.uncompressedSize ?? 0) > MAX_MANIFEST_BYTES) throw bad('Its manifest cannot be read.');
  if (bytes > MAX_BYTES) throw bad('The zip unpacks to more than a studio can be. Choose another.');
  return [...kept.values()];
}

function requireRoom(folder: string, bytes: number): void {
  const { bavail, bsize } = statfsSync(folder);
  if (bavail * bsize < bytes + SPARE_BYTES)
    throw new Problem(
      507,
      'no-room',
      `It unpacks to ${Math.ceil(bytes / 1e6)} MB, and there are ${Math.floor((bavail * bsize) / 1e6)} MB left. Make room, then send it again.`,
    );
}

const streamOf = (zip: ZipFile, entry: Entry) =>
  new Promise<Readable>((done, fail) => {
    zip.openReadStream(entry, (error: Error | null, stream: Readable) => {
      if (error) fail(error);
      else done(stream);
    });
  });

/** One file of the zip, its checksum and length held against what the zip says of it. */
async function unpackOne(zip: ZipFile, entry: Entry, to: string): Promise<void> {
  let [sum, bytes] = [0, 0];
  await pipeline(
    await streamOf(zip, entry),
    async function* counted(source: AsyncIterable<Buffer>) {
      for await (const chunk of source) {
        sum = crc32(chunk, sum);
        bytes += chunk.length;
        yield chunk;
      }
    },
    createWriteStream(to),
  );
  if (sum !== entry.crc32 || bytes !== entry.uncompressedSize)
    throw new Error(`${entry.fileName} has another checksum.`);
}

/**
 * Unpacks the known files of a backup, and nothing else, into a folder.
 * @throws Problem 400 by `damaged` or `bad`; 507 where there is no room for it
 */
export async function unpackBackup(
  file: string,
  folder: string,
  damaged: (cause: unknown) => Problem,
  bad: Refuse,
): Promise<void> {
  await mkdir(join(folder, PHOTO_FOLDER), { recursive: true });
  const zip = await openPromise(file, { lazyEntries: true, autoClose: false }).catch((cause: unknown) => {
    throw bad('This is no zip file, or it is cut short. Choose a backup made by Warm Jar.', cause);
  });
  try {
    const entries = await entriesOf(zip, damaged, bad);
    requireRoom(
      folder,
      entries.reduce((sum, e) => sum + e.uncompressedSize, 0),
    );
    for (const entry of entries)
      await unpackOne(zip, entry, join(folder, keptAs(entry.fileName)!)).catch((cause: unknown) => {
        throw (cause as NodeJS.ErrnoException).code === 'ENOSPC' ? cause : damaged(cause);
      });
  } finally {
    zip.close();
  }
}
