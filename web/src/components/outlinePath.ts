import type { OutlineKind } from '@warm-jar/core';

/** Height of a drawn outline; its width follows from the aspect. */
export const OUTLINE_HEIGHT = 100;

/** The drawn outline of a cavity, seen from the front, in a frame of `width` by 100. */
export function outlinePath(kind: OutlineKind, aspect: number): { readonly d: string; readonly width: number } {
  const w = OUTLINE_HEIGHT * aspect;
  const h = OUTLINE_HEIGHT;
  const oval = (x: number, y: number, rx: number, ry: number) =>
    `M${x - rx} ${y} a${rx} ${ry} 0 1 0 ${2 * rx} 0 a${rx} ${ry} 0 1 0 ${-2 * rx} 0 Z`;
  switch (kind) {
    case 'rectangle':
      return { width: w, d: `M2 2 H${w - 2} V${h - 2} H2 Z` };
    case 'plate':
      return {
        width: w,
        d: `M10 2 H${w - 10} Q${w - 2} 2 ${w - 2} 10 V${h - 10} Q${w - 2} ${h - 2} ${w - 10} ${h - 2} H10 Q2 ${h - 2} 2 ${h - 10} V10 Q2 2 10 2 Z ${oval(w * 0.5, h * 0.5, Math.min(w, h) * 0.09, Math.min(w, h) * 0.16)}`,
      };
    case 'ellipse':
      return { width: w, d: oval(w / 2, h / 2, w / 2 - 2, h / 2 - 2) };
    case 'ring':
      return { width: w, d: `${oval(w / 2, h / 2, w / 2 - 2, h / 2 - 2)} ${oval(w / 2, h / 2, w / 4, h / 4)}` };
    case 'drop':
      return {
        width: w,
        d: `M${w / 2} 2 C${w * 0.62} ${h * 0.28} ${w - 2} ${h * 0.42} ${w - 2} ${h * 0.66} A${w / 2 - 2} ${h * 0.32} 0 0 1 2 ${h * 0.66} C2 ${h * 0.42} ${w * 0.38} ${h * 0.28} ${w / 2} 2 Z`,
      };
  }
}
