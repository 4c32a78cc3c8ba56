import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { SALTMARSH_CARDS } from '../simulation/saltmarshCards';
import { unknownBatchColumns } from './batchTable';
import { schemaPaths } from './schemaPaths';
import { toRow, unknownCardColumns } from './table';

describe('the fields of a schema', () => {
  it('are its leaves, through what may be left out, a list being one', () => {
    const schema = z.object({
      a: z.string(),
      b: z.object({ c: z.number().nullish(), d: z.array(z.string()) }).nullish(),
    });
    expect([...schemaPaths(schema)].sort()).toEqual(['a', 'b.c', 'b.d']);
  });
});

describe('unknown columns', () => {
  it('of cards are named, and every column that a card of the demo studio has is known', () => {
    const columns = SALTMARSH_CARDS.flatMap((card) => Object.keys(toRow(card)));
    expect(columns.length).toBeGreaterThan(200);
    expect(unknownCardColumns(columns)).toEqual([]);
    expect(unknownCardColumns(['slug', 'pot life', 'ratio.byWeight.a', 'Density'])).toEqual(['pot life', 'Density']);
  });
  it('of batches are named, whichever row of a list they are in', () =>
    expect(unknownBatchColumns(['product.slug', 'additives[3].massG', ' note ', 'Temperature', 'room.temp'])).toEqual([
      'Temperature',
      'room.temp',
    ]));
});
