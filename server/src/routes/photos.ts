import express, { type Router } from 'express';
import { Problem } from '../http/problem';
import type { PhotoStore } from '../store/photoStore';

/** Largest photo taken, bytes; the browser sends it resized, well below. */
const MAX_PHOTO_BYTES = 6_000_000;

/** Photos in and out as the pictures they are. */
export function photoRouter(photos: PhotoStore): Router {
  const router = express.Router();
  router.post('/photos', express.raw({ type: () => true, limit: MAX_PHOTO_BYTES }), async (request, response) => {
    if (!Buffer.isBuffer(request.body)) throw new Problem(400, 'not-a-photo', 'Send the picture as the body.');
    const id = await photos.add(request.body);
    response.status(201).location(`/api/v1/photos/${id}`).json({ id });
  });
  router.get('/photos/:id', async (request, response) => {
    const { bytes, type } = await photos.get(request.params.id);
    response.type(type).set('Cache-Control', 'private, max-age=31536000, immutable').send(bytes);
  });
  return router;
}

/** Their place in the OpenAPI document: the pictures are bodies, not JSON. */
export const PHOTO_PATHS = {
  '/photos': {
    post: {
      summary: 'Store a photo; its metadata is removed',
      requestBody: { required: true, content: { 'image/jpeg': {}, 'image/png': {} } },
      responses: {
        201: {
          description: 'Its name',
          content: {
            'application/json': {
              schema: { type: 'object', required: ['id'], properties: { id: { type: 'string' } } },
            },
          },
        },
      },
    },
  },
  '/photos/{id}': {
    get: {
      summary: 'A stored photo',
      parameters: [{ name: 'id', in: 'path', required: true, schema: { type: 'string' } }],
      responses: { 200: { description: 'The picture', content: { 'image/jpeg': {}, 'image/png': {} } } },
    },
  },
};
