import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PNG } from 'pngjs';

type Rgb = readonly [number, number, number];
const [WIDTH, HEIGHT] = [480, 320];
/** Where a test taps: in the middle of each patch, as shares of the photo. */
export const PATCHES = { card: { x: 0.2, y: 0.5 }, cast: { x: 0.55, y: 0.5 }, sample: { x: 0.87, y: 0.5 } } as const;

/** A made-up photo of a cast between a white card and an untouched sample, as a file. */
export function castPhoto(colours: { card: Rgb; cast: Rgb; sample: Rgb }): string {
  const png = new PNG({ width: WIDTH, height: HEIGHT });
  const at = (x: number): Rgb => {
    if (x < WIDTH * 0.35) return colours.card;
    return x < WIDTH * 0.72 ? colours.cast : colours.sample;
  };
  for (let y = 0; y < HEIGHT; y += 1) {
    for (let x = 0; x < WIDTH; x += 1) {
      const inside = y > 40 && y < HEIGHT - 40 && x % 168 > 14;
      const [r, g, b] = inside ? at(x) : ([70, 74, 70] as const);
      png.data.set([r, g, b, 255], (y * WIDTH + x) * 4);
    }
  }
  const file = join(mkdtempSync(join(tmpdir(), 'warm-jar-photo-')), 'cast.png');
  writeFileSync(file, PNG.sync.write(png));
  return file;
}
