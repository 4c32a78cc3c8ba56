import 'fake-indexeddb/auto';
import { entrySchema } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { ApiProblem } from '../api/http';
import { memoryOutboxDb, openOutboxDb, type Waiting } from './outboxDb';
import { sendInOrder } from './sendInOrder';

const entry = (key: string) => entrySchema.parse({ key: `the-entry-${key}`, at: '2026-11-24T10:00:00+00:00', set: [] });
let n = 0;
async function outbox(answer: (w: Waiting) => Promise<unknown>) {
  const name = `test-${n++}`;
  const db = await openOutboxDb(name);
  const sent: string[] = [];
  let [queue, away] = [[] as readonly Waiting[], false];
  const make = () =>
    sendInOrder({
      db,
      onStored: () => undefined,
      onQueue: (q) => {
        queue = q;
      },
      onAway: (a) => {
        away = a;
      },
      send: async (w) => {
        await answer(w);
        sent.push(w.entry.key);
        return { batch: {} as never, version: 1 };
      },
    });
  return { sender: make(), again: make, sent, queue: () => queue, away: () => away, db };
}
const unreachable = new ApiProblem('unreachable', 'The server cannot be reached.', 0);

describe('the outbox', () => {
  it('keeps entries while the server is away, and sends them in order when it is back', async () => {
    let up = false;
    const o = await outbox(() => (up ? Promise.resolve() : Promise.reject(unreachable)));
    for (const k of ['a', 'b', 'c']) await o.sender.add('B-1', entry(k));
    await o.sender.pump();
    expect(o.away()).toBe(true);
    expect(o.queue().map((w) => w.entry.key)).toEqual(['the-entry-a', 'the-entry-b', 'the-entry-c']);
    up = true;
    await o.sender.pump();
    expect(o.sent).toEqual(['the-entry-a', 'the-entry-b', 'the-entry-c']);
    expect(o.queue()).toEqual([]);
    expect(await o.db.all()).toEqual([]);
  });
  it('keeps them as they are while nobody is signed in, and sends them once somebody is', async () => {
    let signedIn = false;
    const o = await outbox(() =>
      signedIn ? Promise.resolve() : Promise.reject(new ApiProblem('sign-in', 'Sign in first.', 401)),
    );
    await o.sender.add('B-1', entry('a'));
    await o.sender.pump();
    expect(o.queue().map((w) => [w.entry.key, w.problem])).toEqual([['the-entry-a', null]]);
    signedIn = true;
    await o.sender.pump();
    expect(o.sent).toEqual(['the-entry-a']);
  });
  it('still has them after a reload', async () => {
    const o = await outbox(() => Promise.reject(unreachable));
    await o.sender.add('B-1', entry('a'));
    await o.sender.pump();
    await o.again().load();
    expect(o.queue().map((w) => w.entry.key)).toEqual(['the-entry-a']);
  });
  it('sets aside an entry that is refused, with the reason, and holds up nothing by it', async () => {
    const o = await outbox((w) =>
      w.entry.key === 'the-entry-b' && !w.entry.over
        ? Promise.reject(
            new ApiProblem('field-conflict', 'Somebody else wrote Stir meanwhile.', 409, [
              { path: 'mix.stirMin', message: 'They wrote 2, you 3.' },
            ]),
          )
        : Promise.resolve(),
    );
    await o.sender.add('B-1', entry('a'));
    await o.sender.add('B-1', entry('b'));
    await o.sender.add('B-1', entry('c'));
    await o.sender.add('B-2', entry('d'));
    await o.sender.pump();
    expect(o.sent).toEqual(['the-entry-a', 'the-entry-c', 'the-entry-d']);
    expect(o.queue()[0]!.problem).toContain('They wrote 2, you 3.');
    await o.sender.settle(o.queue()[0]!.seq, 'over');
    expect(o.sent).toEqual(['the-entry-a', 'the-entry-c', 'the-entry-d', 'the-entry-b']);
  });
  it('tries one again that the server stumbles over, in its place, while other batches go on', async () => {
    let stumbles = true;
    const o = await outbox((w) =>
      w.code === 'B-1' && stumbles
        ? Promise.reject(new ApiProblem('internal', 'Something failed.', 500))
        : Promise.resolve(),
    );
    for (const [code, key] of [
      ['B-1', 'a'],
      ['B-1', 'b'],
      ['B-2', 'c'],
    ] as const)
      await o.sender.add(code, entry(key));
    await o.sender.pump();
    expect(o.sent).toEqual(['the-entry-c']);
    expect(o.queue().map((w) => [w.entry.key, w.problem])).toEqual([
      ['the-entry-a', null],
      ['the-entry-b', null],
    ]);
    stumbles = false;
    await o.sender.pump();
    expect(o.sent).toEqual(['the-entry-c', 'the-entry-a', 'the-entry-b']);
  });
  it('sends nothing to another studio that answers at the same address', async () => {
    const o = await outbox(() => Promise.reject(new ApiProblem('other-studio', 'Another studio.', 409)));
    await o.sender.add('B-1', entry('a'));
    await o.sender.pump();
    expect(o.queue().map((w) => w.problem)).toEqual([null]);
  });
  it('shows what another page of the same browser added or sent', async () => {
    const o = await outbox(() => Promise.reject(unreachable));
    await o.db.add('B-1', entry('from-the-other-page'));
    await o.sender.look();
    expect(o.queue().map((w) => w.entry.key)).toEqual(['the-entry-from-the-other-page']);
    await o.db.remove(o.queue()[0]!.seq);
    await o.sender.look();
    expect(o.queue()).toEqual([]);
  });
  it('lets a refused entry go when it is dropped', async () => {
    const o = await outbox((w) =>
      w.entry.key === 'the-entry-a'
        ? Promise.reject(new ApiProblem('invalid-input', 'Does not fit.', 400))
        : Promise.resolve(),
    );
    await o.sender.add('B-1', entry('a'));
    await o.sender.add('B-1', entry('b'));
    await o.sender.pump();
    expect(o.sent).toEqual(['the-entry-b']);
    await o.sender.settle(o.queue()[0]!.seq, 'drop');
    expect(o.queue()).toEqual([]);
    expect(o.sent).toEqual(['the-entry-b']);
  });
  it("works without the browser's database, for as long as the page lives", async () => {
    const db = memoryOutboxDb();
    const [a, b] = [await db.add('B-1', entry('a')), await db.add('B-1', entry('b'))];
    await db.put({ ...b, problem: 'refused' });
    await db.remove(a.seq);
    expect(await db.all()).toEqual([{ ...b, problem: 'refused' }]);
  });
});
