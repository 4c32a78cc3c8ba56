// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { refusal, used, type Answers, type Mounted } from '../../testing/mounted';
import { pretendStudio, sentTo } from '../../testing/pretendedStudio';
import { readTableText, type TableQuestion } from '../../workers/tableReading';
import { useTable } from './useTable';

/** The worker, on the page's own thread. */
class QuickWorker {
  onmessage: ((event: { data: unknown }) => void) | null = null;
  private ended = false;
  postMessage({ id, question }: { id: number; question: TableQuestion }): void {
    queueMicrotask(() => {
      if (!this.ended) this.onmessage?.({ data: { id, result: readTableText(question) } });
    });
  }
  terminate(): void {
    this.ended = true;
  }
}

const MOULDS = 'code,name,volume ml\nM-81,Small tray,120\nM-82,Deep ring,45\n';
const ONE_MOULD = 'code,name,volume ml\nM-91,One bowl,300\n';

let page: Mounted | null = null;
beforeEach(() => {
  window.localStorage.clear();
  window.sessionStorage.clear();
  vi.stubGlobal('Worker', QuickWorker);
});
afterEach(() => {
  page?.unmount();
  page = null;
});

/** The answers of a server that takes tables; `more` answers first. */
const takes =
  (more: Answers): Answers =>
  (asked) => {
    const own = more(asked);
    if (own) return own;
    const { method, path, body } = asked;
    if (method === 'GET' && (path === '/imports' || path === '/mappings')) return { body: { items: [] } };
    if (path === '/imports?apply=false') return { body: looked(body, 0) };
    if (path === '/imports?apply=true') return { status: 201, body: looked(body, 1) };
    if (method === 'POST' && path === '/mappings') return { status: 201, body };
    return undefined;
  };
function looked(body: unknown, apply: 0 | 1): unknown {
  const { documents } = body as { documents: readonly object[] };
  return {
    id: apply ? 'I-1' : null,
    applied: apply * documents.length,
    rows: documents.map((_, row) => ({ row, code: null, action: 'new', closed: false, issues: [] })),
  };
}

async function open(more: Answers = () => undefined) {
  const asked = pretendStudio([], takes(more));
  const made = await used(() => useTable());
  page = made;
  await made.settle();
  return { table: made.result, asked, settle: made.settle };
}

describe('a table on the page', () => {
  it('is brought in whole, and how it was read is kept for the next time', async () => {
    const { table, asked, settle } = await open();
    table.change({ text: MOULDS, kind: 'mould' });
    await settle();
    expect(table.reading.value?.read.documents).toHaveLength(2);
    await table.bringIn();
    await settle();
    expect(table.done.value).toEqual({ id: 'I-1', count: 2, kind: 'mould' });
    expect(table.table.value.text).toBe('');
    expect(table.reading.value).toBeNull();
    expect(sentTo(asked, 'POST', '/mappings')).toMatchObject([{ kind: 'mould', heads: ['code', 'name', 'volume ml'] }]);
  });
  it('is never called not brought in where only its mapping could not be kept', async () => {
    const { table, asked, settle } = await open(({ method, path }) =>
      method === 'POST' && path === '/mappings' ? { status: 503, body: refusal('busy', 'Busy.') } : undefined,
    );
    table.change({ text: MOULDS, kind: 'mould' });
    await settle();
    await table.bringIn();
    await settle();
    expect(table.done.value?.count).toBe(2);
    expect(table.problem.value).toContain('The rows are in');
    await table.bringIn();
    expect(sentTo(asked, 'POST', '/imports?apply=true')).toHaveLength(1);
  });
  it('stays where it is when it could not be brought in', async () => {
    const { table, settle } = await open(({ path }) =>
      path === '/imports?apply=true' ? { status: 409, body: refusal('code-taken', 'M-81 is taken.') } : undefined,
    );
    table.change({ text: MOULDS, kind: 'mould' });
    await settle();
    await table.bringIn();
    expect(table.done.value).toBeNull();
    expect(table.problem.value).toContain('M-81 is taken');
    expect(table.table.value.text).toBe(MOULDS);
    expect(table.busy.value).toBe(false);
  });
  it('is told by its own answer, not by that of the table before it', async () => {
    let release: (() => void) | undefined;
    const { table, asked, settle } = await open();
    const answerFetch = globalThis.fetch;
    vi.stubGlobal('fetch', async (path: string, init?: RequestInit) => {
      if (path.endsWith('apply=false') && String(init?.body).includes('M-81'))
        await new Promise<void>((done) => (release = done));
      return answerFetch(path, init);
    });
    table.change({ text: MOULDS, kind: 'mould' });
    await settle();
    table.change({ text: ONE_MOULD });
    await settle();
    expect(table.answer.value?.rows).toHaveLength(1);
    release?.();
    await settle();
    expect(sentTo(asked, 'POST', '/imports?apply=false')).toHaveLength(2);
    expect(table.answer.value?.rows).toHaveLength(1);
    expect(table.busy.value).toBe(false);
  });
  it('refuses a workbook and says what to do instead', async () => {
    const { table } = await open();
    await table.open(new File(['PK'], 'log.xlsx'));
    expect(table.problem.value).toContain('Save its sheet as CSV');
    expect(table.table.value.text).toBe('');
  });
});
