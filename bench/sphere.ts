/** A sphere of `2·rings·sectors` triangles as binary STL, radius in mm. */
export function sphereStl(rings: number, sectors: number, radius = 30): Uint8Array {
  const point = (i: number, j: number): [number, number, number] => {
    const [u, v] = [(Math.PI * i) / rings, (2 * Math.PI * (j % sectors)) / sectors];
    return [radius * Math.sin(u) * Math.cos(v), radius * Math.sin(u) * Math.sin(v), radius * Math.cos(u)];
  };
  const triangles: [number, number, number][][] = [];
  for (let i = 0; i < rings; i += 1) {
    for (let j = 0; j < sectors; j += 1) {
      const [a, b, c, d] = [point(i, j), point(i + 1, j), point(i + 1, j + 1), point(i, j + 1)];
      if (i < rings - 1) triangles.push([a, b, c]);
      if (i > 0) triangles.push([a, c, d]);
    }
  }
  const bytes = new Uint8Array(84 + 50 * triangles.length);
  const view = new DataView(bytes.buffer);
  view.setUint32(80, triangles.length, true);
  triangles.forEach((t, k) =>
    t.forEach((p, m) =>
      p.forEach((x, n) => {
        view.setFloat32(84 + 50 * k + 12 + 12 * m + 4 * n, x, true);
      }),
    ),
  );
  return bytes;
}
