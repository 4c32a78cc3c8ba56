import { describe, it } from 'vitest';
import { VIEWS_OF_STUDIO } from './everyView';
import { inBrowser } from './inBrowser';
import { standsAtEverySize } from './pageFindings';

const { bench } = await inBrowser({ demo: true });

describe('every view of the studio', () => {
  it.each(VIEWS_OF_STUDIO)('%s fits every size, in a clean console, and passes axe', async (_name, path, ready) => {
    await standsAtEverySize(bench, path, ready);
  });
});
