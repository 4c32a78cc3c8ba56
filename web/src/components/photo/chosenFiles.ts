/** Files as they were chosen, kept while the page is open: colour is picked on them, not on what compression left. */
const files = new Map<string, File>();
/** As many as a look or two hold; the oldest goes first. */
const MAX_FILES = 12;

/** Keeps a chosen file under the name that its photo was stored by. */
export function keepChosen(id: string, file: File): void {
  files.delete(id);
  files.set(id, file);
  for (const oldest of files.keys()) {
    if (files.size <= MAX_FILES) break;
    files.delete(oldest);
  }
}

/** The file that a photo was chosen as, while this page still has it. */
export const chosenFile = (id: string): File | null => files.get(id) ?? null;
