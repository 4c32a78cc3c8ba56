// @vitest-environment happy-dom
import { afterEach, describe, expect, it, vi } from 'vitest';
import ReplacedNote from '../../app/ReplacedNote.vue';
import { useLive } from '../../stores/live';
import { mounted, pretendServer, refusal, type Answers, type Mounted } from '../../testing/mounted';
import BackupView from './BackupView.vue';

let page: Mounted | null = null;
afterEach(() => {
  page?.unmount();
  page = null;
  vi.unstubAllGlobals();
});
const schedule = { on: true, folder: '/srv/copies', everyH: 24, keep: 14 };
const failure = {
  since: '2026-11-26T09:00:00Z',
  at: '2026-11-27T09:00:00Z',
  says: '/srv/copies is not there. Is the disk plugged in?',
  tries: 40,
};
const holds = { batches: 3, products: 11, lots: 0, moulds: 0, pieces: 0, lastChange: null };
const checked = { token: 't', madeAt: '2026-11-27T08:00:00Z', photos: 0, holds, misfits: [], misfitCount: 0 };

async function open(answers: Answers) {
  const asked = pretendServer(answers);
  page = await mounted(BackupView);
  return { page, asked };
}
const choose = async (p: Mounted) => {
  const input = p.root.querySelector<HTMLInputElement>('input[type="file"]')!;
  Object.defineProperty(input, 'files', { value: [new File(['zip'], 'copy.zip')], configurable: true });
  input.dispatchEvent(new Event('change'));
  await p.settle();
};

describe('the backup page', () => {
  it('says since when no copy could be made, why, and that it is tried again', async () => {
    const { page: p } = await open(() => ({ body: { schedule, copies: [], failure } }));
    const note = p.root.querySelector('[data-test="copy-failure"]')!.textContent!;
    expect(note).toContain('Is the disk plugged in?');
    expect(note).toContain('tried again every five minutes');
    expect(p.text()).toContain('No copy lies there yet');
  });
  it('names the field of a folder that cannot be used, and keeps what was typed', async () => {
    const says = 'The folder /srv/file cannot be made or used.';
    const { page: p } = await open(({ method }) =>
      method === 'POST'
        ? { status: 400, body: refusal('folder-not-usable', says, [{ path: 'folder', message: 'Choose another.' }]) }
        : { body: { schedule, copies: [], failure: null } },
    );
    await p.type('#backup-folder', '/srv/file');
    p.root.querySelector('form')!.dispatchEvent(new Event('submit', { cancelable: true, bubbles: true }));
    await p.settle();
    expect(p.text()).toContain(`${says} Choose another.`);
    expect(p.root.querySelector<HTMLInputElement>('#backup-folder')!.value).toBe('/srv/file');
  });
  it('tells a sound copy as sound, and lists the records of another that are not as they should be', async () => {
    const misfits = [{ what: 'Batch', code: 'B-0002', says: 'startedAt: Check the year.' }];
    let answer: object = checked;
    const { page: p } = await open(({ path }) =>
      path === '/backup/check' ? { body: answer } : { body: { schedule, copies: [], failure: null } },
    );
    await choose(p);
    expect(p.root.querySelector('[data-test="found"]')!.textContent).toContain('Sound.');
    answer = { ...checked, misfits, misfitCount: 7 };
    await choose(p);
    const found = p.root.querySelector('[data-test="found"]')!.textContent!.replaceAll(/\s+/g, ' ');
    expect(found).toContain('7 of its records are not as they should be');
    expect(found).toContain('Batch B-0002: startedAt: Check the year.');
    expect(found).not.toContain('Sound.');
  });
  it('says why a copy cannot be taken', async () => {
    const { page: p } = await open(({ path }) =>
      path === '/backup/check'
        ? { status: 400, body: refusal('not-a-backup', 'The zip is damaged.') }
        : { body: { schedule, copies: ['warm-jar-2026-11-27-08-00.zip'], failure: null } },
    );
    await choose(p);
    expect(p.root.querySelector('[role="alert"]')!.textContent).toContain('The zip is damaged.');
    expect(p.text()).toContain('warm-jar-2026-11-27-08-00.zip');
  });
});

describe('a studio that was replaced', () => {
  it('is told on the other screens, and not on the one that did it', async () => {
    pretendServer(() => undefined);
    page = await mounted(ReplacedNote);
    expect(page.text()).toBe('');
    useLive().replaced = true;
    await page.settle();
    expect(page.text()).toContain('replaced by a copy');
    await page.router.push({ name: 'backup' });
    await page.settle();
    expect(page.text()).toBe('');
  });
});
