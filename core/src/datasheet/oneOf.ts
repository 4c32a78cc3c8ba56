/** One of several alternatives, as a part of a pattern. Example: oneOf('part', 'side') // '(?:part|side)' */
export const oneOf = (...alternatives: readonly string[]): string => `(?:${alternatives.join('|')})`;
