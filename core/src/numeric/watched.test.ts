import { describe, expect, it } from 'vitest';
import { changesBetween, touchedBy, watcher } from './watched';

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
const reads = <R>(sum: (d: Doc) => R) => watcher(DOC)(sum);

describe('a sum that is watched', () => {
  it('gives what it would give, of frozen documents too', () => {
    expect(reads((d) => d.list.reduce((sum, { g }) => sum + g, d.room?.c ?? 0)).value).toBe(24);
    expect(reads((d) => [...d.list.map((l) => l.g)]).value).toEqual([1, 2]);
    expect(reads((d) => Object.keys(d.room ?? {})).value).toEqual(['c', 'rh']);
    expect(reads((d) => ({ ...d.room })).value).toEqual({ c: 21, rh: 50 });
    expect(reads((d) => 'rh' in d.room!).value).toBe(true);
    expect(reads((d) => [d.by.get('a'), d.by.size, [...d.by.values()]]).value).toEqual([1, 2, [1, 2]]);
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
    const touched = touchedBy([new Set(['elsewhere']), reads(sum).reads])(changesBetween(DOC, next));
    expect([...touched]).toEqual(isTouched ? [1] : []);
  });
  it('is touched, with all others, where there is another document', () => {
    expect([...touchedBy([new Set(), new Set(['a'])])(changesBetween(DOC, null))]).toEqual([0, 1]);
  });
  it('notes each sum by itself', () => {
    const watch = watcher(DOC);
    expect([...watch((d) => d.room?.c).reads]).toEqual(['room', 'room.c']);
    expect([...watch((d) => d.list.length).reads]).toEqual(['list', 'list.length']);
    expect([...watch((d) => d.by.get('b')).reads]).toEqual(['by', 'by.b']);
  });
  it('looks at a part as one thing where it is told to', () => {
    const { reads: of } = watcher(DOC, new Set(['room']))((d) => d.room?.c);
    expect([...of]).toEqual(['room']);
  });
});
