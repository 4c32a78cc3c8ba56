// @vitest-environment happy-dom
import { afterEach, describe, expect, it } from 'vitest';
import { ApiProblem } from '../../api/http';
import { useImportFlow, type FileRows, type ImportedRows } from './useImportFlow';

interface Row {
  readonly row: number;
  readonly action: string;
}
type Send = (rows: readonly unknown[], options: { apply: boolean; all: boolean }) => Promise<ImportedRows<Row>>;

let sent: { rows: readonly unknown[]; apply: boolean; all: boolean }[] = [];
afterEach(() => {
  sent = [];
});
const told = (rows: readonly unknown[]): Row[] => rows.map((_, i) => ({ row: i + 1, action: 'new' }));

function flow(read: FileRows, send?: Send) {
  return useImportFlow<Row, { all: boolean }>({
    read: () => read,
    parts: (rows) => [rows.slice(0, 2), rows.slice(2)],
    send: (rows, options) => {
      sent.push({ rows, ...options });
      return send?.(rows, options) ?? Promise.resolve({ rows: told(rows), applied: options.apply ? rows.length : 0 });
    },
    preview: { all: false },
  });
}
function chosen(name: string): Event {
  const input = document.createElement('input');
  input.type = 'file';
  Object.defineProperty(input, 'files', { value: [new File(['{}'], name)] });
  const event = new Event('change');
  Object.defineProperty(event, 'target', { value: input });
  return event;
}
const THREE: FileRows = { ok: true, rows: ['a', 'b', 'c'] };

describe('bringing in a file', () => {
  it('looks it through part by part, with its rows under their numbers in the whole file', async () => {
    const { choose, rows, name, done, progress } = flow(THREE);
    await choose(chosen('log.csv'));
    expect(name.value).toBe('log.csv');
    expect(rows.value?.map((r) => r.row)).toEqual([1, 2, 3]);
    expect(sent.map((s) => s.rows)).toEqual([['a', 'b'], ['c']]);
    expect(sent.every((s) => !s.apply && !s.all)).toBe(true);
    expect([done.value, progress.value]).toEqual([null, null]);
  });
  it('brings it in when asked, and tells how many', async () => {
    const { choose, apply, done } = flow(THREE);
    await choose(chosen('log.csv'));
    sent = [];
    expect(await apply({ all: true })).toBe(3);
    expect(done.value).toBe(3);
    expect(sent.every((s) => s.apply && s.all)).toBe(true);
  });
  it('says why a file cannot be read, and sends nothing', async () => {
    const { choose, problem, rows } = flow({ ok: false, says: 'This is no table.' });
    await choose(chosen('cat.png'));
    expect(problem.value).toBe('This is no table.');
    expect([rows.value, sent]).toEqual([null, []]);
  });
  it('tells what went in before the server refused, and where', async () => {
    const refuse: Send = (rows, { apply }) =>
      rows.includes('c') && apply
        ? Promise.reject(new ApiProblem('bad', 'Row 3 does not fit.', 400, [{ path: 'mix', message: 'Too much.' }]))
        : Promise.resolve({ rows: told(rows), applied: apply ? rows.length : 0 });
    const { choose, apply, problem, done, progress } = flow(THREE, refuse);
    await choose(chosen('log.csv'));
    expect(await apply({ all: false })).toBeNull();
    expect(problem.value).toBe(
      'Row 3 does not fit. 2 were brought in before that; they stay, and are passed over when the file is brought in again. mix: Too much.',
    );
    expect([done.value, progress.value]).toEqual([null, null]);
  });
  it('throws on what nobody foresaw', async () => {
    const { choose } = flow(THREE, () => Promise.reject(new TypeError('no such thing')));
    await expect(choose(chosen('log.csv'))).rejects.toThrow('no such thing');
  });
  it('does nothing where no file was chosen', async () => {
    const { choose, name } = flow(THREE);
    const input = document.createElement('input');
    const event = new Event('change');
    Object.defineProperty(event, 'target', { value: input });
    await choose(event);
    expect([name.value, sent]).toEqual(['', []]);
  });
});
