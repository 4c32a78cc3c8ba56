import { describe, expect, it } from 'vitest';
import { CoreError } from '../formats/errors';
import { meshVolume } from './mesh';

type V = readonly [number, number, number];
type T = readonly [V, V, V];

/** The twelve triangles of a box, wound outwards. */
function box([w, d, h]: V, [x, y, z]: V = [0, 0, 0]): T[] {
  const p = (i: number): V => [x + (i & 1 ? w : 0), y + (i & 2 ? d : 0), z + (i & 4 ? h : 0)];
  const quads = [
    [0, 2, 3, 1],
    [4, 5, 7, 6],
    [0, 1, 5, 4],
    [2, 6, 7, 3],
    [0, 4, 6, 2],
    [1, 3, 7, 5],
  ] as const;
  return quads.flatMap(([a, b, c, e]): T[] => [
    [p(a), p(b), p(c)],
    [p(a), p(c), p(e)],
  ]);
}

/** A sphere of triangles by latitude and longitude. */
function sphere(r: number, n: number): T[] {
  const at = (i: number, j: number): V => {
    const [theta, phi] = [(Math.PI * i) / n, (Math.PI * 2 * (j % (2 * n))) / (2 * n)];
    const s = i === 0 || i === n ? 0 : Math.sin(theta);
    // The poles to the last digit, so that their triangles meet.
    const z = i % n === 0 ? Math.sign(n / 2 - i) : Math.cos(theta);
    return [r * s * Math.cos(phi), r * s * Math.sin(phi), r * z];
  };
  const out: T[] = [];
  for (let i = 0; i < n; i += 1) {
    for (let j = 0; j < 2 * n; j += 1) {
      if (i > 0) out.push([at(i, j), at(i + 1, j), at(i, j + 1)]);
      if (i < n - 1) out.push([at(i, j + 1), at(i + 1, j), at(i + 1, j + 1)]);
    }
  }
  return out;
}

const utf8 = (text: string) => Uint8Array.from([...text].map((c) => c.charCodeAt(0)));
const textStl = (triangles: readonly T[]) =>
  utf8(
    `solid part\n${triangles.map((t) => `facet normal 0 0 0\n outer loop\n${t.map((v) => `  vertex ${v.join(' ')}`).join('\n')}\n endloop\nendfacet`).join('\n')}\nendsolid part\n`,
  );
function binaryStl(triangles: readonly T[]): Uint8Array {
  const view = new DataView(new ArrayBuffer(84 + triangles.length * 50));
  // Many exporters begin even a binary header with the word of the text format.
  utf8('solid but binary').forEach((b, i) => {
    view.setUint8(i, b);
  });
  view.setUint32(80, triangles.length, true);
  triangles.forEach((t, i) => {
    t.flat().forEach((v, k) => {
      view.setFloat32(84 + i * 50 + 12 + k * 4, v, true);
    });
  });
  return new Uint8Array(view.buffer);
}
const obj = (triangles: readonly T[]) =>
  utf8(
    `# part\n${triangles
      .flat()
      .map((v) => `v ${v.join(' ')}`)
      .join('\n')}\n${triangles.map((_, i) => `f ${i * 3 + 1}/1 ${i * 3 + 2}/1 ${i * 3 + 3}/1`).join('\n')}\n`,
  );

describe('meshVolume', () => {
  it.each([
    ['text STL', textStl],
    ['binary STL', binaryStl],
    ['OBJ', obj],
  ])('measures a box from %s', (_name, write) => {
    const found = meshVolume(write(box([40, 30, 20])));
    expect(found.volumeML).toBeCloseTo(24, 4);
    expect(found.areaCM2).toBeCloseTo(52, 4);
    expect(found).toMatchObject({ closed: true, triangles: 12, openEdges: 0 });
  });
  it('does not care where the part stands, nor which way it is wound', () => {
    const far = box([40, 30, 20], [1000, -500, 250]);
    expect(meshVolume(textStl(far)).volumeML).toBeCloseTo(24, 6);
    expect(meshVolume(textStl(far.map(([a, b, c]) => [a, c, b] as const))).volumeML).toBeCloseTo(24, 6);
  });
  it('comes near a sphere as its triangles get finer', () => {
    const exact = ((4 / 3) * Math.PI * 1000) / 1000;
    const off = (n: number) => 1 - meshVolume(binaryStl(sphere(10, n))).volumeML / exact;
    expect(meshVolume(binaryStl(sphere(10, 24))).closed).toBe(true);
    expect(off(12)).toBeLessThan(0.04);
    expect(off(48)).toBeLessThan(off(12) / 10);
    expect(off(48)).toBeGreaterThan(0);
  });
  it('says of a mesh with a hole that it is not closed', () => {
    expect(meshVolume(textStl(box([40, 30, 20]).slice(0, -1)))).toMatchObject({ closed: false, openEdges: 3 });
  });
  it('reads quads and counted-back corners of OBJ', () => {
    const quads = utf8(
      'v 0 0 0\nv 10 0 0\nv 10 10 0\nv 0 10 0\nv 0 0 10\nv 10 0 10\nv 10 10 10\nv 0 10 10\nf 4 3 2 1\nf 5 6 7 8\nf 1 2 6 5\nf 2 3 7 6\nf 3 4 8 7\nf -5 -8 -4 -1\n',
    );
    expect(meshVolume(quads)).toMatchObject({ closed: true, triangles: 12 });
    expect(meshVolume(quads).volumeML).toBeCloseTo(1, 9);
  });
  it.each([
    ['nothing', new Uint8Array()],
    ['a letter', utf8('Dear studio,')],
    ['a cut-off binary', binaryStl(box([1, 1, 1])).subarray(0, 300)],
    ['a corner of words', utf8('solid x\nvertex 1 two 3\nvertex 1 2 3\nvertex 1 2 3\n')],
    ['half a triangle', utf8('solid x\nvertex 1 2 3\n')],
    ['a face without corners', utf8('v 0 0 0\nf 1 2 3\n')],
  ])('refuses %s', (_what, bytes) => expect(() => meshVolume(bytes)).toThrow(CoreError));
  it('refuses a file beyond its limit before reading it', () => {
    expect(() => meshVolume({ byteLength: 200_000_000 } as Uint8Array)).toThrow(/200 MB/);
  });
});
