// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { refusal, used, type Answers, type Mounted } from '../testing/mounted';
import { EMPTY_SHELF, pretendStudio } from '../testing/pretendedStudio';
import { useOpening } from './opening';

let page: Mounted | null = null;
beforeEach(() => {
  window.localStorage.clear();
});
afterEach(() => {
  page?.unmount();
  page = null;
});

const EMPTY: Readonly<Record<string, unknown>> = {
  '/products': { items: [] },
  '/people': { items: [] },
  '/shelf': EMPTY_SHELF,
};
const nothing: Answers = ({ path }) => {
  if (path.startsWith('/batches?')) return { body: { items: [], page: 1, pageSize: 1, total: 0 } };
  return path in EMPTY ? { body: EMPTY[path] } : undefined;
};
const failing =
  (of: string): Answers =>
  (asked) =>
    asked.path.startsWith(of) ? { status: 503, body: refusal('busy', 'The studio is busy.') } : nothing(asked);

async function open(answers: Answers) {
  const asked = pretendStudio([], answers);
  const made = await used(() => useOpening());
  page = made;
  await made.result.loadIfNew();
  return { opening: made.result, asked };
}

describe('the opening of a studio', () => {
  it('is offered where there is nothing yet', async () => {
    const { opening } = await open(nothing);
    expect(opening.isNew).toBe(true);
    expect(opening.next?.step).toBe('units');
    expect(opening.done).toBe(0);
  });
  it.each(['/products', '/batches', '/shelf'])(
    'takes a failed read of %s for no answer, not for nothing',
    async (of) => {
      const { opening } = await open(failing(of));
      expect(opening.isNew).toBe(false);
    },
  );
  it('asks for nothing more where a card stands', async () => {
    const { opening, asked } = await open(() => undefined);
    expect(opening.isNew).toBe(false);
    expect(asked.map((a) => a.path)).toEqual(['/products']);
  });
  it('goes on from what was skipped and seen, also in the next tab', async () => {
    const { opening } = await open(nothing);
    opening.begin();
    opening.seeUnits();
    opening.skip('people');
    opening.skip('people');
    expect(opening.next?.step).toBe('product');
    page?.unmount();
    const { opening: again } = await open(nothing);
    expect(again.isBegun).toBe(true);
    expect(again.next?.step).toBe('product');
    again.end();
    expect(again.isBegun).toBe(false);
    expect(again.isNew).toBe(false);
  });
});
