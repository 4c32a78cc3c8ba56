import { CoreError } from '../formats/errors';
import { countOpenEdges } from './meshEdges';

/** What a mesh holds, its surface, and whether it is closed. Mesh units are taken as mm. */
export interface MeshVolume {
  readonly volumeML: number;
  readonly areaCM2: number;
  readonly closed: boolean;
  readonly triangles: number;
  readonly openEdges: number;
}

/** Largest mesh file taken, bytes. */
export const MAX_MESH_BYTES = 120_000_000;
const HEADER_BYTES = 84;
const RECORD_BYTES = 50;

/** Corner coordinates, nine numbers for each triangle. */
type Corners = Float64Array;

function readBinaryStl(view: DataView, count: number): Corners {
  const corners = new Float64Array(count * 9);
  for (let i = 0; i < count; i += 1) {
    const at = HEADER_BYTES + i * RECORD_BYTES + 12;
    for (let k = 0; k < 9; k += 1) corners[i * 9 + k] = view.getFloat32(at + k * 4, true);
  }
  return corners;
}

const bad = (message: string) => new CoreError('out-of-range', message, 'mesh');

function numbersOf(parts: string[], line: string): number[] {
  const numbers = parts.map(Number);
  if (numbers.length < 3 || numbers.some((n) => !Number.isFinite(n)))
    throw bad(`The mesh has a corner that is no three numbers: "${line.trim().slice(0, 60)}".`);
  return numbers.slice(0, 3);
}

function readTextStl(text: string): Corners {
  const values: number[] = [];
  for (const match of text.matchAll(/vertex\s+(\S+)\s+(\S+)\s+(\S+)/g))
    values.push(...numbersOf(match.slice(1, 4), match[0]));
  if (values.length % 9 !== 0) throw bad('The mesh ends in the middle of a triangle. Export it again.');
  return Float64Array.from(values);
}

function readObj(text: string): Corners {
  const vertices: number[][] = [];
  const values: number[] = [];
  for (const line of text.split('\n')) {
    const [word, ...rest] = line.trim().split(/\s+/);
    if (word === 'v') vertices.push(numbersOf(rest, line));
    if (word !== 'f') continue;
    const face = rest.map((token) => {
      const index = Number(token.split('/')[0]);
      const vertex = vertices[index < 0 ? vertices.length + index : index - 1];
      if (!vertex) throw bad(`A face of the mesh names corner ${token}, which is not there.`);
      return vertex;
    });
    for (let i = 2; i < face.length; i += 1) values.push(...face[0]!, ...face[i - 1]!, ...face[i]!);
  }
  return Float64Array.from(values);
}

/** Characters turned into text at a time; more would overrun the call's arguments. */
const CHUNK = 32_768;

/** Mesh text is plain ASCII: a byte is a character. */
function asText(bytes: Uint8Array): string {
  let text = '';
  for (let i = 0; i < bytes.length; i += CHUNK) text += String.fromCharCode(...bytes.subarray(i, i + CHUNK));
  return text;
}

function readMesh(bytes: Uint8Array): Corners {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const count = bytes.byteLength >= HEADER_BYTES ? view.getUint32(80, true) : 0;
  if (count > 0 && bytes.byteLength === HEADER_BYTES + count * RECORD_BYTES) return readBinaryStl(view, count);
  const text = asText(bytes);
  if (/^\s*solid\b/.test(text) && /\bvertex\b/.test(text)) return readTextStl(text);
  if (/^\s*(#|v|o|g|mtllib|vn|vt|s)\s/m.test(text) && /^\s*f\s/m.test(text)) return readObj(text);
  throw bad('This is neither an STL nor an OBJ mesh, or it was cut short.');
}

/** Six times the volume, and twice the surface, of all triangles; mm³ and mm². */
function sixfoldVolume(c: Corners): { readonly six: number; readonly twice: number } {
  let six = 0;
  let twice = 0;
  // Measured from the first corner, so that a mesh far from its origin loses no digits.
  const ox = c[0]!;
  const oy = c[1]!;
  const oz = c[2]!;
  for (let i = 0; i < c.length; i += 9) {
    const ax = c[i]! - ox;
    const ay = c[i + 1]! - oy;
    const az = c[i + 2]! - oz;
    const ux = c[i + 3]! - ox - ax;
    const uy = c[i + 4]! - oy - ay;
    const uz = c[i + 5]! - oz - az;
    const vx = c[i + 6]! - ox - ax;
    const vy = c[i + 7]! - oy - ay;
    const vz = c[i + 8]! - oz - az;
    const nx = uy * vz - uz * vy;
    const ny = uz * vx - ux * vz;
    const nz = ux * vy - uy * vx;
    // a · (b × d) with b = a + u and d = a + v is a · (u × v).
    six += ax * nx + ay * ny + az * nz;
    twice += Math.sqrt(nx * nx + ny * ny + nz * nz);
  }
  return { six, twice };
}

/**
 * Volume and surface of a mesh by signed tetrahedra: STL (binary or text) or OBJ, in mm.
 * @param bytes the file, up to 120 MB
 * @returns the volume as enclosed; it means nothing where `closed` is false
 * @throws CoreError `out-of-range` for a file that is too large, empty, cut short, or no mesh
 */
export function meshVolume(bytes: Uint8Array): MeshVolume {
  if (bytes.byteLength > MAX_MESH_BYTES)
    throw bad(
      `The mesh is ${Math.round(bytes.byteLength / 1e6)} MB; at most ${MAX_MESH_BYTES / 1e6} MB are read. Export it coarser.`,
    );
  const c = readMesh(bytes);
  if (c.length === 0) throw bad('The mesh holds no triangle.');
  const { six, twice } = sixfoldVolume(c);
  const openEdges = countOpenEdges(c);
  return {
    volumeML: Math.abs(six) / 6 / 1000,
    areaCM2: twice / 2 / 100,
    closed: openEdges === 0,
    triangles: c.length / 9,
    openEdges,
  };
}
