import { batchSchema, pieceSchema, soundBatch, storedProductSchema, saltmarshCard } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { readStored } from './readStored';

describe('a stored document', () => {
  it('that its format accepts is read whole, with what the format does not know', () => {
    const batch = { ...soundBatch('house-clear-6'), ownKey: { kept: true } };
    expect(readStored(batchSchema, JSON.stringify(batch))).toEqual(batch);
  });
  it('is read without what no longer fits, and everything else stays', () => {
    const batch = { ...soundBatch('house-clear-6'), room: { temperatureC: 'warm', humidityPct: 55 } };
    const read = readStored(batchSchema, JSON.stringify(batch));
    expect(read.room).toEqual({ humidityPct: 55 });
    expect(read.mix).toEqual(batch.mix);
  });
  it('loses of a list only what is wrong in it', () => {
    const checks = [{ afterH: 3 }, { afterH: 'soon' }, { afterH: 30, symptoms: [{ kind: 'melted', pattern: 'x' }] }];
    const read = readStored(batchSchema, JSON.stringify({ ...soundBatch('house-clear-6'), checks }));
    expect(read.checks).toEqual([{ afterH: 3 }, { afterH: 30, symptoms: [] }]);
  });
  it('of a card written before its format was stricter is a card still', () => {
    const card = {
      ...saltmarshCard('house-noon'),
      light: { stable: true, doseMJPerCM2: 10, penetrationMm: 4, criticalMJPerCM2: 15 },
    };
    expect(readStored(storedProductSchema, JSON.stringify(card)).light).toEqual(card.light);
  });
  it('of a piece in an oven is read with its room', () => {
    const piece = {
      format: 'warm-jar.piece/1',
      code: 'P-01',
      name: 'tray',
      roomC: 70,
      layers: [{ productSlug: 'house-tide' }],
    };
    expect(readStored(pieceSchema, JSON.stringify(piece)).roomC).toBe(70);
  });
});
