import { create } from 'qrcode';

/** A machine-readable code as one path of unit squares, with its side in squares. */
export interface CodePath {
  readonly d: string;
  readonly size: number;
}

/** A QR code of a text, drawn as one path; medium error correction, so that a drop of resin does not spoil it. */
export function codePath(text: string): CodePath {
  const { size, data } = create(text, { errorCorrectionLevel: 'M' }).modules;
  let d = '';
  for (let y = 0; y < size; y += 1) for (let x = 0; x < size; x += 1) if (data[y * size + x]) d += `M${x} ${y}h1v1h-1z`;
  return { d, size };
}
