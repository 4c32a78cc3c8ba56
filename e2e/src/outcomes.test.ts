import type { Batch } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { PATIENCE_MS } from './browser';
import { inBrowser } from './inBrowser';

const { application, bench } = await inBrowser({ demo: true, speed: 0 });
const api = `${application.address}/api/v1`;
const stored = async (code: string) => (await (await fetch(`${api}/batches/${code}`)).json()) as Batch;
const outcomes = async (code: string) => (await stored(code)).outcome ?? [];
const settled = (code: string, count: number) =>
  bench.driver.wait(
    async () => (await outcomes(code)).length === count,
    PATIENCE_MS,
    `${code} has not ${count} outcomes`,
  );

describe('what it turned out to be', () => {
  it('is proposed by the copy that came out well, kept by one key, and found in the log', async () => {
    await bench.go('/batches/B-0397/diagnosis');
    await bench.see('[data-test="proposal"]');
    await bench.press('y');
    await settled('B-0397', 1);
    await bench.see('[data-test="outcome"]');
    expect((await outcomes('B-0397'))[0]).toMatchObject({ cause: 'under-mixed', how: 'next-batch', symptom: 'tacky' });
    await expect.poll(() => bench.text('[data-test="turned-out"]')).toContain('changed it in the next batch');
    await bench.go('/batches?outcome=under-mixed');
    await bench.read(/found/);
    await expect.poll(() => bench.text('tbody')).toContain('B-0397');
    await bench.go('/batches/B-0397');
    await expect.poll(() => bench.text('[data-test="known-causes"]')).toContain('not mixed through');
  });
  it('is taken back', async () => {
    await bench.go('/batches/B-0397/diagnosis');
    await bench.tap('[data-test="take-back"]');
    await settled('B-0397', 0);
    await bench.see('[data-test="proposal"]');
  });
  it('is refuted by a person, with how it is known', async () => {
    await bench.go('/batches/B-0399/diagnosis');
    await bench.see('[data-test="turned-out"]');
    const first = await bench.text('[data-cause] h3');
    await bench.pick('[aria-label="Cause it turned out to be"]', first.split('\n')[0]!);
    await bench.pick('[aria-label="How it is known"]', 'tested it');
    await bench.tap('[data-test="refute"]');
    await settled('B-0399', 1);
    expect((await outcomes('B-0399'))[0]).toMatchObject({ how: 'test', refuted: true });
    await expect.poll(() => bench.text('[data-test="outcome"]')).toContain('not ');
  });
});

describe('what the whole log tells', () => {
  it('a month on one page, and the one before it', async () => {
    await bench.go('/month');
    await bench.see('table');
    const now = await bench.text('h1');
    await bench.tapWords('Month before');
    await bench.driver.wait(async () => (await bench.text('h1')) !== now, PATIENCE_MS, 'the month stays');
    await expect.poll(() => bench.text('main')).toContain('Yield and cost');
  });
  it('what is due to a finding, and what the log could have shown', async () => {
    await bench.go('/patterns');
    await bench.see('[data-test="due"]');
    await expect.poll(() => bench.text('[data-test="due"]')).toMatch(/due to it/);
    await bench.tap('[data-test="unanswered"] summary');
    await expect.poll(() => bench.text('[data-test="unanswered"]')).toMatch(/or more, against/);
  });
});
