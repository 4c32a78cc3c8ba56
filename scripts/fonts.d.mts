/** Names of the icons that the interface draws, from its sources, in order. */
export function iconsUsed(folder?: string): string[];
