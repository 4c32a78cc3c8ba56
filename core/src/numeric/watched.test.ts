import { describe, expect, it } from 'vitest';
import { changesBetween, watcher } from './watched';

interface Doc {
  readonly room?: { readonly c?: number | null; readonly rh?: number } | null;
  readonly list: readonly { readonly g: number }[];
  readonly by: ReadonlyMap<string, number>;
}
const DOC: Doc = Object.freeze({
  room: Object.freeze({ c: 21, rh: 50 }),
  list: Object.freeze([{ g: 1 }, { g: 2 }]),
  by: new Map([
    ['a', 1],
    ['b', 2],
  ]),
});
const watched = <R>(sum: (d: Doc) => R): R => watcher(DOC).watch(sum);

describe('a sum that is watched', () => {
  it('gives what it would give, of frozen documents too', () => {
    expect(watched((d) => d.list.reduce((sum, { g }) => sum + g, d.room?.c ?? 0))).toBe(24);
    expect(watched((d) => [...d.list.map((l) => l.g)])).toEqual([1, 2]);
    expect(watched((d) => Object.keys(d.room ?? {}))).toEqual(['c', 'rh']);
    expect(watched((d) => ({ ...d.room }))).toEqual({ c: 21, rh: 50 });
    expect(watched((d) => 'rh' in d.room!)).toBe(true);
    expect(watched((d) => [d.by.get('a'), d.by.size, [...d.by.values()]])).toEqual([1, 2, [1, 2]]);
  });
  it.each<[string, (d: Doc) => unknown, unknown, boolean]>([
    ['what it read', (d) => d.room?.c, { ...DOC, room: { c: 22, rh: 50 } }, true],
    ['what it did not read', (d) => d.room?.c, { ...DOC, room: { c: 21, rh: 55 } }, false],
    ['what it read through', (d) => d.room?.c, { ...DOC, room: null }, true],
    ['what is no longer there', (d) => d.room?.rh, { ...DOC, room: { c: 21 } }, true],
    ['a key that comes', (d) => ({ ...d.room }), { ...DOC, room: { c: 21, rh: 50, more: 1 } }, true],
    ['one of a list', (d) => d.list[0]!.g, { ...DOC, list: [{ g: 9 }, { g: 2 }] }, true],
    ['another of a list', (d) => d.list[0]!.g, { ...DOC, list: [{ g: 1 }, { g: 9 }] }, false],
    ['a longer list', (d) => d.list.map((l) => l.g), { ...DOC, list: [...DOC.list, { g: 3 }] }, true],
    ['nothing', (d) => ({ ...d }), { ...DOC }, false],
  ])('is touched by a change of %s or not', (_what, sum, next, isTouched) => {
    const { watch, touched } = watcher(DOC);
    watch(() => 'nothing of it');
    watch(sum);
    expect([...touched(changesBetween(DOC, next))]).toEqual(isTouched ? [1] : []);
  });
  it('is touched, with all others, where there is another document', () => {
    const { watch, touched } = watcher(DOC);
    watch(() => 0);
    watch((d) => d.list);
    expect([...touched(changesBetween(DOC, null))]).toEqual([0, 1]);
  });
  it('is noted by itself, however often it looks', () => {
    const { watch, touched } = watcher(DOC);
    watch((d) => d.room?.c);
    watch((d) => d.list.length);
    watch((d) => (d.room?.c ?? 0) + (d.room?.c ?? 0));
    watch((d) => d.by.get('b'));
    expect([...touched(['room.c'])]).toEqual([0, 2]);
    expect([...touched(['list.length', 'by.b'])]).toEqual([1, 3]);
    expect([...touched(['room.rh', 'by.a'])]).toEqual([]);
  });
  it('looks at a part as one thing where it is told to', () => {
    const { watch, touched } = watcher(DOC, new Set(['room']));
    watch((d) => d.room?.c);
    expect([...touched(['room'])]).toEqual([0]);
    expect([...touched(['room.c'])]).toEqual([]);
  });
});
