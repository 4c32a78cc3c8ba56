import { openDB, type IDBPDatabase } from 'idb';
import { ofStudio } from '../api/studioId';

/** Entries that wait for the server. */
export const ENTRIES = 'entries';
/** Copies of what the server told, to go on with while it is away. */
export const COPIES = 'copies';

/** The browser's database of one studio: nothing of one is ever in another's. */
export function openStudioDb(name = ofStudio('warm-jar')): Promise<IDBPDatabase> {
  return openDB(name, 2, {
    upgrade: (db) => {
      if (!db.objectStoreNames.contains(ENTRIES))
        db.createObjectStore(ENTRIES, { keyPath: 'seq', autoIncrement: true });
      if (!db.objectStoreNames.contains(COPIES)) db.createObjectStore(COPIES);
    },
  });
}
