interface Lines {
  readonly lines: { readonly total: number; readonly covered: number };
}
export const FLOORS: Readonly<Record<'core' | 'server' | 'web', number>>;
export function coverageProblems(
  summary: Readonly<Record<string, Lines>>,
  root: string,
  log?: (line: string) => void,
): string[];
export function reportedProblems(root: string): string[];
