import {
  DEVICE_KIND_OF_GEAR,
  GEAR_KINDS,
  saltmarshAdditives,
  saltmarshGear,
  saltmarshInclusions,
  saltmarshLots,
  saltmarshMoulds,
  type GearKind,
} from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import type { ShelfPlace } from '../../api/shelf';
import { valueAt, withValue, type Tree } from '../../stores/draftPath';
import { KINDS } from './kinds';

const now = new Date('2026-11-24T10:00:00Z');
const STOCK: Record<ShelfPlace, readonly Tree[]> = {
  lots: saltmarshLots(now),
  moulds: saltmarshMoulds(),
  inclusions: saltmarshInclusions(now),
  additives: saltmarshAdditives(),
  gear: saltmarshGear(now),
};

describe.each(Object.values(KINDS))('$title', (kind) => {
  it('are known by a line each', () => {
    for (const item of STOCK[kind.place]) expect(kind.line(item)).toMatch(/\w+/);
  });
  it('show every figure that the demo studio keeps of them', () => {
    const own = new Set(['format', 'code', 'photo']);
    for (const item of STOCK[kind.place]) {
      const shown = new Set([
        ...kind.fields(item, [{ slug: 'house-tide' }]).map((f) => f.path.split('.')[0]),
        ...kind.lists([]).map((l) => l.path),
      ]);
      expect(
        Object.keys(item).filter((k) => !own.has(k) && !shown.has(k)),
        `${String(item['code'])}`,
      ).toEqual([]);
    }
  });
  it('write what the format takes', () => {
    const sample = STOCK[kind.place][0]!;
    for (const field of kind.fields(sample, [{ slug: 'house-tide' }])) {
      const value =
        field.kind === 'choice' || field.kind === 'date'
          ? (valueAt(sample, field.path) ?? field.options?.[0] ?? null)
          : {
              number: 3,
              'yes-no': true,
              text: 'house-x',
              words: ['x'],
              choices: ['house-tide'],
              moment: now.toISOString(),
            }[field.kind];
      const document = field.path.startsWith('drops.')
        ? withValue(sample, 'drops', { counted: 3, massG: 1, [field.path.slice(6)]: 3 })
        : withValue(sample, field.path, value);
      expect(kind.schema.safeParse(document).success, field.path).toBe(true);
    }
  });
});

describe('gear', () => {
  it('of each kind has its own figures', () => {
    const paths = GEAR_KINDS.map((kind) =>
      KINDS.gear
        .fields({ kind }, [])
        .map((f) => f.path)
        .join(' '),
    );
    // A room sensor and a hardness tester have none beside how they are read.
    expect(new Set(paths).size).toBe(GEAR_KINDS.length - 1);
    const read = GEAR_KINDS.filter((kind) => KINDS.gear.fields({ kind }, []).some((f) => f.path === 'device'));
    expect(read).toEqual(
      Object.keys(DEVICE_KIND_OF_GEAR).sort(
        (a, b) => GEAR_KINDS.indexOf(a as GearKind) - GEAR_KINDS.indexOf(b as GearKind),
      ),
    );
  });
});
