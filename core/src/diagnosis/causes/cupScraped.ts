import type { Cause } from '../cause';
import { recordedWord } from '../evidence';

export const cupScraped: Cause = {
  id: 'cup-scraped',
  title: 'Unmixed residue from the cup',
  prior: {
    tacky: { 'sticky-spots': 0.35, 'edges-leak': 0.1, 'tacky-all-over': 0.02, unspecified: 0.08 },
    soft: { 'cold-spots': 0.04, unspecified: 0.02 },
  },
  applies: ({ product }) => product.family !== 'uv-acrylate',
  evidence: [
    (f) =>
      recordedWord('pour.scrapedCup', f.batch.pour?.scrapedCup, (scraped) => {
        if (!scraped) return { points: -10, says: 'The cup was not scraped out when pouring.' };
        return f.batch.mix?.secondCup === true
          ? { points: 2, says: 'The cup was scraped out, but only after a second cup and a second stir.' }
          : {
              points: 9,
              says: 'The cup was scraped out into the mould without a second cup: what clings to the wall is often unmixed.',
            };
      }),
  ],
  prevention: () => [
    'Pour and let the cup drip; leave what clings to the wall, or scrape it into a second cup and stir again before pouring.',
  ],
};
