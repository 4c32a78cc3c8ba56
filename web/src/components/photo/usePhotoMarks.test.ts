import type { CheckPhoto, Srgb } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { ref } from 'vue';
import { usePhotoMarks } from './usePhotoMarks';

const settled = () => new Promise((done) => setTimeout(done));
const [CARD, CAST, SAMPLE]: Srgb[] = [
  [230, 228, 222],
  [208, 204, 188],
  [210, 206, 192],
];

/** A photo on the page, whose colours are told when the test says so. */
function onPage(at: CheckPhoto = { id: 'p1' }) {
  const photo = ref<CheckPhoto>(at);
  const waiting: ((patches: Srgb[] | null) => void)[] = [];
  const marks = usePhotoMarks(
    photo,
    (changed) => (photo.value = changed),
    () => new Promise((tell) => waiting.push(tell)),
  );
  const tap = (tool: 'mark' | 'card' | 'cast' | 'sample', x: number) => {
    marks.tool.value = tool;
    void marks.tapped({ x, y: 0.5 });
  };
  return { photo, waiting, marks, tap };
}

describe('picks on a photo', () => {
  it.each([
    ['in their order', [0, 1]],
    ['the later one first', [1, 0]],
  ])('are all kept, and what is told is of the latest, when colours come %s', async (_how, order) => {
    const { photo, waiting, marks, tap } = onPage();
    tap('card', 0.1);
    tap('cast', 0.4);
    tap('sample', 0.8);
    expect(waiting).toHaveLength(2);
    for (const i of order) {
      waiting[i]!(i === 0 ? [CARD!, CAST!] : [CARD!, CAST!, SAMPLE!]);
      await settled();
    }
    expect(Object.keys(photo.value.picks ?? {}).sort()).toEqual(['card', 'cast', 'sample']);
    expect(photo.value.colour).toMatchObject({ sample: SAMPLE });
    expect(photo.value.colour!.againstSample).not.toBeNull();
    expect(marks.measuring.value).toBe(false);
  });
  it('have no colour of other picks while theirs is not there, or cannot be read', async () => {
    const { photo, waiting, marks, tap } = onPage();
    tap('card', 0.1);
    tap('cast', 0.4);
    waiting[0]!([CARD!, CAST!]);
    await settled();
    expect(photo.value.colour).not.toBeNull();
    tap('cast', 0.7);
    expect(photo.value.colour).toBeNull();
    waiting[1]!(null);
    await settled();
    expect(photo.value.colour).toBeNull();
    expect(marks.problem.value).toContain('could not be read');
  });
  it('leave what is marked while their colour is measured', async () => {
    const { photo, waiting, tap } = onPage();
    tap('card', 0.1);
    tap('cast', 0.4);
    tap('mark', 0.6);
    waiting[0]!([CARD!, CAST!]);
    await settled();
    expect(photo.value.marks).toHaveLength(1);
    expect(photo.value.colour).toMatchObject({ card: CARD, cast: CAST });
  });
  it('are measured when the photo is looked at again, where it was left before', async () => {
    const left: CheckPhoto = { id: 'p1', picks: { card: { x: 0.1, y: 0.5 }, cast: { x: 0.4, y: 0.5 } } };
    const { photo, waiting } = onPage(left);
    waiting[0]!([CARD!, CAST!]);
    await settled();
    expect(photo.value).toMatchObject({ ...left, colour: { card: CARD, cast: CAST } });
    expect(onPage(photo.value).waiting).toHaveLength(0);
    expect(onPage({ id: 'p2', picks: { card: { x: 0.1, y: 0.5 } } }).waiting).toHaveLength(0);
  });
});
