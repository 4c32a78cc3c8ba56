/** The code after the highest of those there are: `P-05` after `P-04`. */
export function nextPieceCode(codes: readonly string[]): string {
  const most = Math.max(
    0,
    ...codes.flatMap((c) => {
      const n = /^P-(\d+)$/.exec(c)?.[1];
      return n ? [Number(n)] : [];
    }),
  );
  return `P-${String(most + 1).padStart(2, '0')}`;
}
