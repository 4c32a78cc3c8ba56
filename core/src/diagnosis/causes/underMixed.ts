import type { Cause } from '../cause';
import { recordedWord, underLow } from '../evidence';

export const underMixed: Cause = {
  id: 'under-mixed',
  title: 'Not mixed through',
  prior: {
    tacky: { liquid: 0.1, 'tacky-all-over': 0.12, 'sticky-spots': 0.35, 'edges-leak': 0.1, unspecified: 0.15 },
    soft: { 'all-over': 0.1, 'thin-sections': 0.05, 'cold-spots': 0.1, 'deep-under-skin': 0.1, unspecified: 0.12 },
    // Colour that was not stirred through stands in streaks.
    colour: { streaks: 0.45, grainy: 0.08, unspecified: 0.2 },
  },
  // Thick coating epoxies are the hardest to mix through.
  familyFactor: { epoxy: 1.2 },
  applies: ({ product }) => product.family !== 'uv-acrylate',
  evidence: [
    (f) => underLow(f, 'mix.stirMin', { slope: 22, most: 13, least: 6 }),
    (f) =>
      recordedWord('mix.scrapedWalls', f.batch.mix?.scrapedWalls, (scraped) =>
        scraped
          ? { points: -4, says: 'The wall and bottom of the cup were scraped while stirring.' }
          : {
              points: 6,
              says: 'The wall and bottom of the cup were not scraped, so a film of one part may have stayed there.',
            },
      ),
    (f) =>
      recordedWord('mix.secondCup', f.batch.mix?.secondCup, (second) =>
        second
          ? { points: -4, says: 'It was stirred again in a second cup.' }
          : { points: 0.5, says: 'There was no second cup.' },
      ),
  ],
  prevention: ({ product, say }) => [
    product.mix?.minMin != null
      ? `Stir for at least ${say(product.mix.minMin, 'min')} by the clock, as the card says.`
      : 'Stir by the clock, not by eye.',
    'Scrape the wall and the bottom twice while stirring; for small batches pour into a second cup and stir again.',
  ],
  change: ({ product, batch, say }) => {
    const least = product.mix?.minMin;
    const stirMin = Math.max((least ?? 0) * 1.2, (batch.mix?.stirMin ?? 0) * 1.5);
    return stirMin > 0
      ? {
          says: `Stirred ${say(stirMin, 'min')}, wall and bottom scraped`,
          set: { stirMin: Math.round(stirMin * 10) / 10 },
        }
      : null;
  },
};
