export function ownHeaders(node?: string, version?: string, env?: Record<string, string | undefined>): string | null;
export function ensureInstalled(): Promise<void>;
