import { describe, expect, it } from 'vitest';
import { inBrowser } from './inBrowser';

const { bench } = await inBrowser({ demo: true, speed: 0 });

describe('the guide', () => {
  it('is opened from the help, and narrowed by words', async () => {
    await bench.go('/');
    await bench.see('.bench');
    await bench.press('?');
    await bench.tapWords('The guide', '[role="dialog"]');
    await bench.see('[data-guide="causes/amine-blush"]');
    await bench.type('#guide-find', 'greasy film');
    await bench.gone('[data-guide="causes/under-mixed"]');
    await bench.tap('[data-guide="causes/amine-blush"]');
    await bench.see('[data-cause="amine-blush"]');
    await expect.poll(() => bench.text('[data-cause]')).toContain('washes off with water');
  });
  it('tells a cause from its neighbours, and leads to them', async () => {
    await bench.go('/guide/causes/too-soon');
    await expect.poll(() => bench.text('[data-cause="too-soon"]')).toContain('Demoulded at');
    const text = await bench.text('[data-cause="too-soon"]');
    expect(text).toContain('It only needs time');
    await bench.tap('[data-neighbour="cold-cure"] a');
    await bench.see('[data-cause="cold-cure"]');
    await bench.at('/guide/causes/cold-cure');
  });
  it('is where a cause of a diagnosis is explained, and says how often it was that here', async () => {
    await bench.go('/batches/B-0399/diagnosis');
    await bench.tap('[data-cause] h3 a');
    await bench.at(/^\/guide\/causes\//);
    await bench.see('[aria-labelledby="g-mend"]');
    await bench.go('/guide/causes/under-mixed');
    await bench.read('No batch here is known');
    await bench.go('/batches/B-0397/diagnosis');
    await bench.see('[data-test="proposal"]');
    await bench.press('y');
    await bench.see('[data-test="outcome"]');
    await bench.go('/guide/causes/under-mixed');
    await bench.read('It turned out to be this in 1 batch.');
  });
  it('is found by the search that finds everything', async () => {
    await bench.go('/');
    await bench.see('.bench');
    await bench.press('/');
    await bench.type('[aria-label="Find"]', 'bond window');
    await bench.tapWords('Bond window missed', '#found');
    await bench.see('[data-cause="bond-window-missed"]');
  });
  it('explains a limit where it stands, and what is behind a caution', async () => {
    await bench.go('/batches/B-0399');
    await bench.tap('.strip[data-field="room.temperatureC"] a');
    await bench.at('/help/room.temperatureC');
    await bench.see('.asked');
    await bench.go('/batches/B-0399/check');
    await bench.tap('.caution a');
    await bench.at('/guide/families/polyurethane');
  });
  it('holds a family’s never, and what the log says of a school', async () => {
    await bench.go('/guide/families/polyurethane');
    await expect.poll(() => bench.text('[data-family]')).toContain('No lamp cures it');
    await bench.go('/guide/schools/air');
    await bench.see('[aria-labelledby="g-log"] td');
    await expect.poll(() => bench.text('[aria-labelledby="g-log"]')).toContain('pressed after they gelled');
    expect(await bench.complaints()).toEqual([]);
  });
});
