import { saltmarshCard, soundBatch } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { jarContents } from './jarContents';

describe('jarContents', () => {
  it('are in true proportion and make a whole', () => {
    const batch = soundBatch('house-clear-6', {
      mix: { amountA: 100, amountB: 82 },
      additives: [{ kind: 'mica', massG: 18.2 }],
    });
    const layers = jarContents(saltmarshCard('house-clear-6'), batch);
    expect(layers.map((l) => l.part)).toEqual(['a', 'b', 'additive']);
    expect(layers.reduce((s, l) => s + l.share, 0)).toBeCloseTo(1, 12);
    expect(layers[1]!.share / layers[0]!.share).toBeCloseTo(0.82, 9);
    expect(layers[2]!.share).toBeCloseTo(18.2 / 200.2, 9);
  });
  it('are nothing before anything is weighed, and A alone once it is', () => {
    expect(
      jarContents(
        saltmarshCard('house-clear-6'),
        soundBatch('house-clear-6', { mix: { amountA: null, amountB: null } }),
      ),
    ).toEqual([]);
    expect(
      jarContents(saltmarshCard('house-clear-6'), soundBatch('house-clear-6', { mix: { amountB: null } })),
    ).toEqual([{ part: 'a', share: 1 }]);
    expect(jarContents(null, soundBatch('house-clear-6'))).toEqual([]);
  });
});
