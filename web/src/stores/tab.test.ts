// @vitest-environment happy-dom
import { beforeEach, describe, expect, it } from 'vitest';
import { adoptOrphans, ofTab, tabId } from './tab';

const storage = window.localStorage;
const own = (name: string) => `${ofTab(name)}@s1`;
const draft = (note: string, savedAt: string) => ({ document: { note }, savedAt });

beforeEach(() => {
  storage.clear();
});

describe('what is typed in a tab', () => {
  it('stands under its name', () => expect(ofTab('warm-jar.plan')).toBe(`warm-jar.plan#${tabId()}`));
  it('is taken over from one that was closed, of each studio for itself', () => {
    storage.setItem('warm-jar.check.B-0007#gone@s1', '{"note":"sticky"}');
    storage.setItem('warm-jar.check.B-0007#gone@s2', '{"note":"elsewhere"}');
    adoptOrphans(new Set());
    expect(storage.getItem(own('warm-jar.check.B-0007'))).toBe('{"note":"sticky"}');
    expect(storage.getItem(`${ofTab('warm-jar.check.B-0007')}@s2`)).toBe('{"note":"elsewhere"}');
    expect(storage.getItem('warm-jar.check.B-0007#gone@s1')).toBeNull();
  });
  it('is left to a tab that is open', () => {
    storage.setItem('warm-jar.plan#open@s1', '{"form":1}');
    adoptOrphans(new Set(['open']));
    expect(storage.getItem(own('warm-jar.plan'))).toBeNull();
    expect(storage.getItem('warm-jar.plan#open@s1')).toBe('{"form":1}');
  });
  it('is never written over what this tab has, nor lost for it', () => {
    storage.setItem(own('warm-jar.plan'), '{"form":"mine"}');
    storage.setItem('warm-jar.plan#gone@s1', '{"form":"theirs"}');
    adoptOrphans(new Set());
    expect(storage.getItem(own('warm-jar.plan'))).toBe('{"form":"mine"}');
    expect(storage.getItem('warm-jar.plan#gone@s1')).toBe('{"form":"theirs"}');
  });
  it('of drafts is taken batch by batch, where this tab has none; of two the newer', () => {
    const [early, late] = ['2027-03-18T10:00:00Z', '2027-03-18T11:00:00Z'];
    storage.setItem(own('warm-jar.drafts'), JSON.stringify({ 'B-1': draft('mine', early) }));
    storage.setItem(
      'warm-jar.drafts#gone@s1',
      JSON.stringify({ 'B-1': draft('theirs', late), 'B-2': draft('old', early), new: draft('next', early) }),
    );
    storage.setItem('warm-jar.drafts#other@s1', JSON.stringify({ 'B-2': draft('newer', late) }));
    adoptOrphans(new Set());
    const notes = (key: string) => {
      const drafts = JSON.parse(storage.getItem(key) ?? 'null') as Record<
        string,
        { document: { note: string } }
      > | null;
      return drafts && Object.fromEntries(Object.entries(drafts).map(([code, d]) => [code, d.document.note]));
    };
    expect(notes(own('warm-jar.drafts'))).toEqual({ 'B-1': 'mine', 'B-2': 'newer', new: 'next' });
    // What was not taken waits for a tab that has none of it.
    expect(notes('warm-jar.drafts#gone@s1')).toEqual({ 'B-1': 'theirs', 'B-2': 'old' });
    expect(storage.getItem('warm-jar.drafts#other@s1')).toBeNull();
  });
  it('from before tabs had names is taken over too, and what all tabs share is left alone', () => {
    storage.setItem('warm-jar.check.B-0007@s1', '{"note":"old"}');
    storage.setItem('warm-jar.drops@s1', '{"B-0007":3}');
    adoptOrphans(new Set());
    expect(storage.getItem(own('warm-jar.check.B-0007'))).toBe('{"note":"old"}');
    expect(storage.getItem('warm-jar.drops@s1')).toBe('{"B-0007":3}');
  });
  it('that cannot be read takes nothing down', () => {
    storage.setItem('warm-jar.drafts#gone@s1', '{broken');
    storage.setItem('somebody else', 'x');
    adoptOrphans(new Set());
    expect(storage.getItem('somebody else')).toBe('x');
  });
});
