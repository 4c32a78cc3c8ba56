import { z } from 'zod';

export const BACKUP_FORMAT = 'warm-jar.backup/1';
export const [MANIFEST_NAME, DATABASE_NAME, PHOTO_FOLDER] = ['manifest.json', 'studio.sqlite', 'photos'] as const;
/** Photos are named by their content. */
export const PHOTO_NAME = /^[0-9a-f]{40}\.(?:jpg|png)$/;

/** What a backup says of itself. */
export const manifestSchema = z.looseObject({
  format: z.literal(BACKUP_FORMAT),
  madeAt: z.string(),
  holds: z.object({
    batches: z.number(),
    products: z.number(),
    lots: z.number(),
    moulds: z.number(),
    pieces: z.number(),
    lastChange: z.string().nullable(),
  }),
  photos: z.number(),
});
export type Manifest = z.infer<typeof manifestSchema>;

/** The name of a backup made at a moment. */
export const backupName = (now: Date): string =>
  `warm-jar-${now.toISOString().slice(0, 16).replaceAll(/[:T]/g, '-')}.zip`;
export const BACKUP_NAME = /^warm-jar-\d{4}-\d{2}-\d{2}-\d{2}-\d{2}\.zip$/;
