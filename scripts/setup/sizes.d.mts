interface Chunk {
  readonly file: string;
  readonly css?: readonly string[];
  readonly imports?: readonly string[];
}
export const BUDGET: Readonly<Record<'first' | 'view' | 'fonts', number>>;
export function filesOf(manifest: Readonly<Record<string, Chunk>>, entries: readonly string[]): string[];
export function sizeProblems(root: string, log?: (line: string) => void): string[];
