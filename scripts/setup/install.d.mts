export function ownHeaders(node?: string, version?: string, env?: Record<string, string | undefined>): string | null;
export function ensureInstalled(): Promise<void>;

/** Whether somebody has installed just what the lock file asks for. */
export function isInstalledByHand(root: string): boolean;
