import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  childPath,
  isWritable,
  leavesOf,
  parsePath,
  putValue,
  takeAway,
  valueAt,
  withValue,
  type PathStep,
  type Tree,
} from './documentPath';

const key = fc
  .string({ minLength: 1, maxLength: 8 })
  .filter((k) => !['__proto__', 'constructor', 'prototype'].includes(k));
const steps = fc
  .array(fc.oneof(key, fc.integer({ min: 0, max: 50 })), { minLength: 1, maxLength: 5 })
  .map((all) => (typeof all[0] === 'number' ? ['first', ...all] : all));
const written = (all: readonly PathStep[]) => all.reduce<string>(childPath, '');

describe('a path of a document', () => {
  it.each<[string, PathStep[] | null]>([
    ['room', ['room']],
    ['room.temperatureC', ['room', 'temperatureC']],
    ['additives[0].massG', ['additives', 0, 'massG']],
    ['a["odd.key"].b', ['a', 'odd.key', 'b']],
    ['["=sum"]', ['=sum']],
    ['', []],
    ['a..b', null],
    ['a[x]', null],
    ['a["unclosed', null],
    ['a[1234567]', null],
  ])('%s is read as %j', (path, expected) => {
    expect(parsePath(path)).toEqual(expected);
  });
  it('is written so that it is read again, whatever the keys are', () => {
    fc.assert(
      fc.property(steps, (all) => {
        expect(parsePath(written(all))).toEqual(all);
      }),
    );
  });
  it('leads to what was put there', () => {
    fc.assert(
      fc.property(steps, fc.integer(), (all, value) => {
        const document: Tree = {};
        putValue(document, all, value);
        expect(valueAt(document, written(all))).toBe(value);
      }),
    );
  });
  it('leads nowhere where a part of it is missing, or is what every object has', () => {
    expect(valueAt({ a: { b: 1 } }, 'a.c.d')).toBeUndefined();
    expect(valueAt({ a: 1 }, 'a.toString')).toBeUndefined();
    expect(valueAt({}, 'constructor.name')).toBeUndefined();
    expect(valueAt(null, 'a')).toBeUndefined();
  });
  it.each<[PathStep[], boolean]>([
    [['a', 0], true],
    [[], false],
    [['__proto__', 'x'], false],
    [['a', 'constructor'], false],
    [['a', 20_000], false],
  ])('%j may be written to: %s', (all, may) => {
    expect(isWritable(all)).toBe(may);
  });
});

describe('a changed document', () => {
  it('is a copy: the one before stays as it was, sections are made on the way', () => {
    const before = { mix: { amountA: 1 }, additives: [{ name: 'x' }, { name: 'y' }] };
    const after = withValue(before, 'additives[1].massG', 2);
    expect(after).toEqual({ mix: { amountA: 1 }, additives: [{ name: 'x' }, { name: 'y', massG: 2 }] });
    expect(before.additives[1]).toEqual({ name: 'y' });
    expect(withValue({}, 'cure.lamp.minutes', 3)).toEqual({ cure: { lamp: { minutes: 3 } } });
  });
  it('loses what is taken away, from sections and from lists', () => {
    const document: Tree = { a: { b: 1, c: 2 }, list: [1, 2, 3] };
    takeAway(document, ['a', 'b']);
    takeAway(document, ['list', 1]);
    takeAway(document, ['nothing', 'there']);
    takeAway(document, []);
    expect(document).toEqual({ a: { c: 2 }, list: [1, 3] });
  });
});

describe('the leaves of a document', () => {
  it('are what was recorded, by their paths', () => {
    const leaves = leavesOf({ a: 1, b: null, c: { d: [true, null, 'x'], e: undefined }, f: [] });
    expect([...leaves]).toEqual([
      ['a', 1],
      ['c.d[0]', true],
      ['c.d[2]', 'x'],
    ]);
  });
  it('lead back to their values', () => {
    fc.assert(
      fc.property(fc.object({ maxDepth: 3, key }), (document) => {
        for (const [path, value] of leavesOf(document)) expect(valueAt(document, path)).toBe(value);
      }),
    );
  });
});
