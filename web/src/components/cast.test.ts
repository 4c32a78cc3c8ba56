// @vitest-environment happy-dom
import { PATTERNS_BY_SYMPTOM, SYMPTOM_KINDS, type CastLook } from '@warm-jar/core';
import { afterEach, describe, expect, it } from 'vitest';
import { mounted, type Mounted } from '../testing/mounted';
import CastPicture from './CastPicture.vue';
import { castShape, hides } from './castShapes';
import { patternMarks } from './patternMarks';

let page: Mounted | null = null;
afterEach(() => {
  page?.unmount();
  page = null;
});
const LOOK: CastLook = { seed: 12, clarity: 'water-clear', colours: [] };
const draw = async (look: Partial<CastLook>, seen: { kind: 'bubbles' | 'tacky'; pattern: string }[]) => {
  page?.unmount();
  page = await mounted(CastPicture, { look: { ...LOOK, ...look }, seen });
  return page.root.querySelector('.cast')!;
};
const EVERY = SYMPTOM_KINDS.flatMap((kind) =>
  PATTERNS_BY_SYMPTOM[kind]
    .filter((p) => p !== 'unspecified' || PATTERNS_BY_SYMPTOM[kind].length === 1)
    .map((pattern) => ({ kind, pattern })),
);

describe('a drawn cast', () => {
  it('shows every fault by the parts that draw its pattern elsewhere', () => {
    for (const { kind, pattern } of EVERY) {
      const [picture, cast] = [patternMarks(kind, pattern), patternMarks(kind, pattern, 5)];
      expect([cast.lines, cast.areas], `${kind} ${pattern}`).toEqual([picture.lines, picture.areas]);
      expect(cast.circles.length > 0, `${kind} ${pattern}`).toBe(picture.circles.length > 0);
    }
  });
  it('has bubbles of its own, in place and count, the same each time', () => {
    const counts = Array.from(
      { length: 30 },
      (_, i) => patternMarks('bubbles', 'micro-throughout', i + 1).circles.length,
    );
    expect(new Set(counts).size).toBeGreaterThan(10);
    expect(Math.min(...counts)).toBeGreaterThanOrEqual(42);
    expect(Math.max(...counts)).toBeLessThanOrEqual(105);
    expect(patternMarks('bubbles', 'top-foam', 9)).toEqual(patternMarks('bubbles', 'top-foam', 9));
  });
  it('lies open where its fault may lie to the air', () => {
    for (let cast = 0; cast < 8; cast += 1)
      for (const pattern of ['tacky-air-side-only', 'edges-leak', 'greasy-film'])
        expect(['block', 'round']).toContain(castShape('tacky', pattern, cast).name);
    const shapes = new Set(Array.from({ length: 8 }, (_, i) => castShape('bubbles', 'micro-throughout', i).name));
    expect(shapes).toEqual(new Set(['drop', 'dome', 'block', 'round']));
  });
  it('hides more the less clear it is, and all behind it where it is opaque', () => {
    const order = (['water-clear', 'clear', 'hazy', 'opaque'] as const).map(hides);
    expect(order).toEqual([...order].sort((a, b) => a - b));
    expect(hides('opaque')).toBe(1);
  });
  it('says in words what it shows, and is plain where nothing is wrong', async () => {
    const faulty = await draw({}, [
      { kind: 'bubbles', pattern: 'large-voids' },
      { kind: 'tacky', pattern: 'sticky-spots' },
    ]);
    expect(faulty.getAttribute('aria-label')).toMatch(
      /^A water-clear cast, \w+: bubbles, large voids; tacky, sticky spots$/,
    );
    expect(faulty.querySelectorAll('.bubble').length).toBeGreaterThan(0);
    const sound = await draw({ clarity: null }, []);
    expect(sound.getAttribute('aria-label')).toMatch(/^A cast, \w+: nothing wrong to be seen$/);
    expect(sound.querySelectorAll('.bubble, .line, .tacky')).toHaveLength(0);
  });
});
