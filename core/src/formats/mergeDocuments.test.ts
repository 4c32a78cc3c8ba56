import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { changedFields } from './changedFields';
import { mergeDocuments } from './mergeDocuments';

const BEFORE = { note: 'old', room: { temperatureC: 20, humidityPct: 50 }, checks: [{ afterH: 24 }] };

describe('two changes of one document', () => {
  it('of different fields are both there', () => {
    const { document, conflicts, theirs } = mergeDocuments(
      BEFORE,
      { ...BEFORE, room: { temperatureC: 22, humidityPct: 50 } },
      { ...BEFORE, note: 'weighed', room: { temperatureC: 20, humidityPct: 61 } },
    );
    expect(document).toEqual({ ...BEFORE, note: 'weighed', room: { temperatureC: 22, humidityPct: 61 } });
    expect(conflicts).toEqual([]);
    expect(theirs).toEqual([
      { path: 'note', before: 'old', now: 'weighed' },
      { path: 'room.humidityPct', before: 50, now: 61 },
    ]);
  });
  it('of one field are asked about, and stand as theirs meanwhile', () => {
    const { document, conflicts } = mergeDocuments(BEFORE, { ...BEFORE, note: 'mine' }, { ...BEFORE, note: 'theirs' });
    expect(document).toEqual({ ...BEFORE, note: 'theirs' });
    expect(conflicts).toEqual([{ path: 'note', before: 'old', mine: 'mine', theirs: 'theirs' }]);
  });
  it('of one field to the same value are no conflict', () =>
    expect(mergeDocuments(BEFORE, { ...BEFORE, note: 'x' }, { ...BEFORE, note: 'x' }).conflicts).toEqual([]));
  it('ask where one emptied what the other wrote', () => {
    const emptied = { room: BEFORE.room, checks: BEFORE.checks };
    expect(mergeDocuments(BEFORE, emptied, { ...BEFORE, note: 'theirs' }).conflicts).toMatchObject([
      { path: 'note', mine: null, theirs: 'theirs' },
    ]);
    expect(mergeDocuments(BEFORE, { ...BEFORE, note: 'mine' }, emptied).conflicts).toMatchObject([
      { mine: 'mine', theirs: null },
    ]);
  });
  it('that both add to a list keep what each added, theirs first, the same once', () => {
    const [mine, theirs, both] = [{ afterH: 48 }, { afterH: 30 }, { afterH: 72 }];
    const { document, conflicts } = mergeDocuments(
      BEFORE,
      { ...BEFORE, checks: [{ afterH: 24 }, mine, both] },
      { ...BEFORE, checks: [{ afterH: 24 }, theirs, both] },
    );
    expect(document['checks']).toEqual([{ afterH: 24 }, theirs, both, mine]);
    expect(conflicts).toEqual([]);
  });
  it('ask about a list that one of them changed in the middle', () =>
    expect(
      mergeDocuments(
        BEFORE,
        { ...BEFORE, checks: [{ afterH: 25 }] },
        { ...BEFORE, checks: [{ afterH: 24 }, { afterH: 30 }] },
      ).conflicts,
    ).toMatchObject([{ path: 'checks' }]));
  it('where only one of them changed anything are that one', () => {
    expect(mergeDocuments(BEFORE, BEFORE, { ...BEFORE, note: 'x' }).document).toEqual({ ...BEFORE, note: 'x' });
    expect(mergeDocuments(BEFORE, { ...BEFORE, note: 'x' }, BEFORE).document).toEqual({ ...BEFORE, note: 'x' });
  });
  it('lose nothing that only one of them wrote, whatever they wrote', () => {
    const value = fc.oneof(fc.constant(null), fc.integer({ min: 0, max: 3 }));
    const doc = fc.record({ a: value, b: fc.record({ c: value, d: value }) });
    fc.assert(
      fc.property(doc, doc, doc, (before, mine, theirs) => {
        const { document, conflicts } = mergeDocuments(before, mine, theirs);
        const asked = conflicts.map(({ path }) => path);
        const [own, others] = [changedFields(before, mine), changedFields(before, theirs)];
        const differsFrom = (other: object) => changedFields(document, other);
        for (const path of own) if (!others.includes(path)) expect(differsFrom(mine)).not.toContain(path);
        for (const path of others) if (!own.includes(path)) expect(differsFrom(theirs)).not.toContain(path);
        for (const path of asked) expect([own.includes(path), others.includes(path)]).toEqual([true, true]);
      }),
    );
  });
});
