import { describe, expect, it } from 'vitest';
import { filesByAddress, viewsByAddress } from '../../viewFiles';
import { PLACES } from '../places/places';

type Bundle = Parameters<typeof filesByAddress>[0];
const chunk = (fileName: string, more: object = {}) => ({ type: 'chunk', fileName, imports: [], ...more });
const css = (...files: string[]) => ({ viteMetadata: { importedCss: new Set(files) } });

describe('the files of each view, written down by the build', () => {
  const addresses = viewsByAddress(PLACES);
  const viewAt = (path: string) => addresses.find((a) => new RegExp(a.pattern, 'i').test(path))?.view;

  it('are known for every place, by the view that the router would show', () => {
    expect(addresses).toHaveLength(PLACES.length);
    expect(viewAt('/')).toBe('views/today/TodayView.vue');
    expect(viewAt('/batches/new')).toBe('views/logbatch/LogBatchView.vue');
    expect(viewAt('/batches/B-0412')).toBe('views/batch/BatchView.vue');
    expect(viewAt('/batches/B-0412/bench')).toBe('views/bench/BenchView.vue');
    expect(viewAt('/moulds/M-08')).toBe('views/shelf/ShelfView.vue');
    expect(viewAt('/guide/cause/ratio-off')).toBe('views/guide/GuideView.vue');
    expect(viewAt('/no/such/place')).toBe('views/settings/MissingView.vue');
  });
  it('are all that it asks for at once, without what every page begins with', () => {
    const bundle = {
      'entry.js': chunk('entry.js', { isEntry: true, imports: ['stack.js'] }),
      'stack.js': chunk('stack.js', css('stack.css')),
      'batch.js': chunk('batch.js', {
        facadeModuleId: '/w/src/views/batch/BatchView.vue',
        imports: ['stack.js', 'sums.js'],
        dynamicImports: ['later.js'],
        ...css('batch.css', 'stack.css'),
      }),
      'sums.js': chunk('sums.js', { imports: ['stack.js'] }),
      'later.js': chunk('later.js'),
    } as unknown as Bundle;
    const asked = [
      { pattern: '^/batches$', view: 'views/batch/BatchView.vue', asks: ['/work'], bar: true },
      { pattern: '^/gone$', view: 'views/gone/GoneView.vue', asks: [], bar: true },
    ];
    expect(filesByAddress(bundle, asked)).toEqual([
      { pattern: '^/batches$', scripts: ['batch.js', 'sums.js'], styles: ['batch.css'], asks: ['/work'], bar: true },
    ]);
  });
  it('come with what each asks for, its own parts by where they stand in the address', () => {
    const asksAt = (path: string) => addresses.find((a) => new RegExp(a.pattern, 'i').test(path))?.asks;
    expect(asksAt('/batches/B-0412/bench')).toEqual(['/products', '/work', '/batches/$1', '/shelf']);
    expect(asksAt('/guide/cause/ratio-off')).toEqual(['/products', '/work']);
    expect(addresses.filter((a) => !a.bar).map((a) => a.view)).toEqual([
      'views/people/SignInView.vue',
      'views/people/PairView.vue',
      'views/board/BoardView.vue',
    ]);
    // Nothing is to be had before somebody signed in.
    expect(asksAt('/sign-in')).toEqual([]);
    for (const { pattern, asks } of addresses)
      for (const ask of asks) {
        const part = Number(/\$(\d)/.exec(ask)?.[1] ?? 0);
        // One group more than there are parts is the whole match.
        expect(part, ask).toBeLessThanOrEqual(new RegExp(`${pattern}|`).exec('')!.length - 1);
        expect(ask).not.toContain(':');
      }
  });
});
