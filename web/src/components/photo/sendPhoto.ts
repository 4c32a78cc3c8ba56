import { ApiProblem } from '../../api/client';
import { shelfApi } from '../../api/shelf';
import { keepChosen } from './chosenFiles';
import { MAX_PHOTO_BYTES, shrinkPhoto } from '../../workers/shrinkPhoto';

/** Resizes and stores a photo; its name, or a sentence on why it was not kept. */
export async function sendPhoto(file: File): Promise<{ id: string | null; problem: string | null }> {
  if (file.size > MAX_PHOTO_BYTES)
    return { id: null, problem: `${file.name} is larger than ${MAX_PHOTO_BYTES / 1e6} MB. Take a smaller picture.` };
  const blob = await shrinkPhoto(file);
  if (!blob) return { id: null, problem: `${file.name} is not a picture that can be read here.` };
  try {
    const id = await shelfApi.addPhoto(blob);
    keepChosen(id, file);
    return { id, problem: null };
  } catch (error) {
    return { id: null, problem: error instanceof ApiProblem ? error.message : 'The photo was not kept.' };
  }
}
