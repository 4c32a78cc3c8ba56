/**
 * Has the browser keep the shell, so that the application opens with the server away. It fetches all of it once, and
 * so comes after the page. A browser that keeps nothing opens the application from the server alone.
 */
export function keepShell(): void {
  if (import.meta.env.PROD && 'serviceWorker' in navigator)
    void navigator.serviceWorker.register('/sw.js', { scope: '/' }).catch(() => undefined);
}
