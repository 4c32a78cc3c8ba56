import { describe, expect, it } from 'vitest';
import type { CauseId } from '../formats/vocabulary';
import { summarySentence } from './summary';

const causes = (...shares: [CauseId, number][]) =>
  shares.map(([id, share]) => ({ id, share, evidence: [], prevention: [] }));
const ask = [{ field: 'room.humidityPct', why: '', bits: 0.4, effortMin: 0.2 }];

describe('summarySentence', () => {
  it('names one cause that stands alone', () => {
    expect(
      summarySentence({ causes: causes(['damp-resin', 0.81], ['not-cleared', 0.1], ['something-else', 0.09]), ask }),
    ).toBe('Damp in the resin, 81\u00a0% sure by the record.');
  });
  it('names two that are close', () => {
    expect(
      summarySentence({ causes: causes(['damp-resin', 0.5], ['pressure-late', 0.4], ['something-else', 0.1]), ask }),
    ).toBe('Damp in the resin (50\u00a0%), or pressure came too late (40\u00a0%).');
  });
  it('asks instead of guessing where the record does not tell', () => {
    expect(summarySentence({ causes: causes(['damp-resin', 0.2], ['something-else', 0.15]), ask })).toBe(
      'The record does not tell why. Find out first: room damp.',
    );
    expect(summarySentence({ causes: causes(['something-else', 1]), ask: [] })).toBe(
      'The record does not tell why. Nothing in it stands out.',
    );
  });
});
