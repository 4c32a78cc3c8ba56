import { describe, expect, it } from 'vitest';
import { changeBus, type NumberedChange } from './changeBus';

/** A bus on a clock that is moved by hand, ms. */
function bus() {
  let ms = 5_000;
  const made = changeBus(() => ms);
  return {
    ...made,
    wait: (by: number) => {
      ms += by;
    },
    change: (code: string) => {
      made.publish({ code, version: 1 });
      return made.latest();
    },
  };
}
const codes = (changes: readonly NumberedChange[]) => changes.map((c) => c.code);
/** No code: any batch may have changed. */
const ANYTHING = [''];

describe('what a screen missed', () => {
  it('is what came after the change that it was told of, each batch once, and nothing where none did', () => {
    const { after, change, latest } = bus();
    const begun = latest();
    expect(after(begun)).toEqual([]);
    const first = change('B-0001');
    change('B-0002');
    const last = change('B-0001');
    expect(codes(after(begun))).toEqual(['B-0002', 'B-0001']);
    expect(codes(after(first))).toEqual(['B-0002', 'B-0001']);
    expect(after(last)).toEqual([]);
    expect(after(first).at(-1)!.id).toBe(last);
  });
  it('is what came while its page was opened, to the millisecond', () => {
    const { within, change, wait } = bus();
    wait(1_000);
    change('B-0001');
    wait(2_000);
    change('B-0002');
    expect(codes(within(0))).toEqual(['B-0002']);
    expect(codes(within(1_999))).toEqual(['B-0002']);
    expect(codes(within(2_000))).toEqual(['B-0001', 'B-0002']);
    wait(1);
    expect(codes(within(0))).toEqual([]);
  });
  it('may be anything where the server was started anew, or it was away for longer than is known', () => {
    const one = bus();
    const other = bus();
    const told = one.change('B-0001');
    expect(codes(other.after(told))).toEqual(ANYTHING);
    for (const strange of ['', 'x', `${told}0`.replace(/-.*/, ''), '-', `${told.split('-')[0]}-x`])
      expect(codes(one.after(strange)), strange).toEqual(ANYTHING);
    // Before it was begun there was another.
    expect(codes(one.within(1))).toEqual(ANYTHING);
    one.wait(600_000);
    one.change('B-0002');
    expect(codes(one.after(told))).toEqual(['B-0002']);
    expect(codes(one.after(`${told.split('-')[0]}-0`))).toEqual(ANYTHING);
    expect(codes(one.within(599_999))).toEqual(['B-0002']);
    expect(codes(one.within(600_001))).toEqual(ANYTHING);
  });
  it('is known of so many changes, and no more', () => {
    const { after, change, latest } = bus();
    const begun = latest();
    const ids = Array.from({ length: 2_500 }, (_, i) => change(`B-${i % 7}`));
    expect(after(ids[499]!)).toHaveLength(7);
    expect(codes(after(ids[498]!))).toEqual(ANYTHING);
    expect(codes(after(begun))).toEqual(ANYTHING);
  });
  it('is told batch by batch of so many, and else that any may have changed: a screen asks for each', () => {
    const { after, change, latest } = bus();
    const begun = latest();
    const ids = Array.from({ length: 31 }, (_, i) => change(`B-${i}`));
    expect(after(ids[0]!)).toHaveLength(30);
    expect(codes(after(begun))).toEqual(ANYTHING);
    expect(after(begun)[0]!.id).toBe(ids.at(-1));
  });
  it('is told to who listens as it happens, by the same name', () => {
    const { subscribe, change, after, latest } = bus();
    const begun = latest();
    const heard: NumberedChange[] = [];
    const stop = subscribe((told) => {
      if (told.what === 'batch') heard.push(told.change);
    });
    change('B-0001');
    stop();
    change('B-0002');
    expect(codes(heard)).toEqual(['B-0001']);
    expect(heard).toEqual(after(begun).slice(0, 1));
  });
});
