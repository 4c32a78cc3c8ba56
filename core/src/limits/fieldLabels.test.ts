import { describe, expect, it } from 'vitest';
import { BATCH_FIELDS } from '../formats/batchFields';
import { SALTMARSH_CARDS } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { askLabel, fieldLabel } from './fieldLabels';
import { limitReadings } from './limitReadings';

describe('the word for a field', () => {
  it.each([
    ['mix.stirMin', 'Stir'],
    ['lotA.openedOn', 'Lot A, open for'],
    ['inclusions[1].moisturePct', 'Inclusion 2, moisture'],
    ['checks[0].shore', 'Check 1, hardness'],
    ['additives.mica.pct', 'Loading, mica'],
    ['quickTests.wet-a-test-spot', 'Test: wet a test spot'],
    ['mix.ratioErrorPct', 'Ratio, B for A'],
    ['castings[2].mould.code', 'Casting 3, mould code'],
    ['somebody.elses', 'somebody.elses'],
  ])('%s is "%s"', (path, words) => {
    expect(fieldLabel(path)).toBe(words);
  });
  it('is there for every field, and for whatever a limit speaks of', () => {
    for (const { path } of BATCH_FIELDS) expect(fieldLabel(path), path).not.toBe(path);
    for (const card of SALTMARSH_CARDS)
      for (const { field } of limitReadings(card, soundBatch(card.slug)))
        expect(fieldLabel(field), field).not.toBe(field);
  });
  it('in a question is what is asked of it', () => {
    expect(askLabel('mould.code')).toBe('This mould before');
    expect(askLabel('inclusions[0].what')).toBe('Inclusion, with this resin before');
    expect(askLabel('mix.stirMin')).toBe('Stir');
  });
});
