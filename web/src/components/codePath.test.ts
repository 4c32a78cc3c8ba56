import jsQR from 'jsqr';
import { describe, expect, it } from 'vitest';
import { codePath } from './codePath';

/** The drawn path as pixels, with the quiet zone a reader needs. */
function paint({ d, size }: { d: string; size: number }, scale = 4, quiet = 4) {
  const side = (size + 2 * quiet) * scale;
  const pixels = new Uint8ClampedArray(side * side * 4).fill(255);
  for (const [, x, y] of d.matchAll(/M(\d+) (\d+)h1/g)) {
    for (let j = 0; j < scale; j += 1)
      for (let i = 0; i < scale; i += 1)
        pixels.set([0, 0, 0, 255], (((Number(y) + quiet) * scale + j) * side + (Number(x) + quiet) * scale + i) * 4);
  }
  return { pixels, side };
}
const readBack = (text: string) => {
  const { pixels, side } = paint(codePath(text));
  return jsQR(pixels, side, side)?.data;
};

describe('codePath', () => {
  it.each(['http://127.0.0.1:4310/batches/B-0422', 'B-0422', 'Größe 5 µm'])('is read back as %s', (text) =>
    expect(readBack(text)).toBe(text),
  );
  it('is read back with a blot on it', () => {
    const text = 'http://127.0.0.1:4310/batches/B-0422';
    const code = codePath(text);
    const blotted = { ...code, d: code.d.replaceAll(/M(1[2-4]) (1[2-4])h1v1h-1z/g, '') };
    expect(blotted.d).not.toBe(code.d);
    const { pixels, side } = paint(blotted);
    expect(jsQR(pixels, side, side)?.data).toBe(text);
  });
});
