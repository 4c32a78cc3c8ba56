import { copyFileSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { SALTMARSH_CARDS } from '@warm-jar/core';
import type { AccessOptions } from './access/gate';
import type { StudioClock } from './live/studioClock';
import { openStudio, type Studio } from './studio';

/** A studio on a real database file in a folder of its own, for tests. */
export interface TestStudio extends Studio {
  readonly file: string;
  readonly failures: unknown[];
  readonly remove: () => Promise<void>;
}

const newFolder = () => mkdtempSync(join(tmpdir(), 'warm-jar-'));

/** A closed database with the demo studio's cards, made once and copied for each test. */
let template: Promise<string> | null = null;
async function makeTemplate(): Promise<string> {
  const folder = newFolder();
  process.on('exit', () => {
    rmSync(folder, { recursive: true, force: true });
  });
  const file = join(folder, 'template.sqlite');
  const studio = await openStudio({ file, disposable: true });
  for (const card of SALTMARSH_CARDS) await studio.products.add(card);
  await studio.close();
  return file;
}

export async function testStudio(
  options: { cards?: boolean; file?: string; access?: AccessOptions; clock?: StudioClock; webRoot?: string } = {},
): Promise<TestStudio> {
  const folder = newFolder();
  const file = options.file ?? join(folder, 'studio.sqlite');
  if (!options.file && options.cards !== false) copyFileSync(await (template ??= makeTemplate()), file);
  const failures: unknown[] = [];
  const studio = await openStudio({
    file,
    disposable: true,
    ...(options.clock ? { clock: options.clock } : {}),
    log: (error) => failures.push(error),
    ...(options.access ? { access: options.access } : {}),
    ...(options.webRoot ? { webRoot: options.webRoot } : {}),
  });
  return {
    ...studio,
    file,
    failures,
    remove: async () => {
      await studio.close();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
