import { z } from 'zod';
import type { AppDeps } from '../appDeps';
import { streamEndpoint, type Endpoint } from '../http/endpoint';
import { Problem } from '../http/problem';

/** Largest photo taken, bytes; the browser sends it resized, well below. */
const MAX_PHOTO_BYTES = 6_000_000;
const PICTURES = ['image/jpeg', 'image/png'];

type PhotoDeps = Pick<AppDeps, 'photos'>;

const add = ({ photos }: PhotoDeps): Endpoint =>
  streamEndpoint(
    {
      method: 'post',
      path: '/photos',
      summary: 'Store a photo; its metadata is removed',
      takes: { types: PICTURES, wholeUpToBytes: MAX_PHOTO_BYTES },
      answers: { 201: { description: 'Its name', schema: z.object({ id: z.string() }) } },
    },
    async (_input, { request, response }) => {
      const picture: unknown = request.body;
      if (!Buffer.isBuffer(picture)) throw new Problem(400, 'not-a-photo', 'Send the picture as the body.');
      const id = await photos.add(picture);
      response.status(201).location(`/api/v1/photos/${id}`).json({ id });
    },
  );

const readOne = ({ photos }: PhotoDeps): Endpoint =>
  streamEndpoint(
    {
      method: 'get',
      path: '/photos/{id}',
      summary: 'A stored photo',
      params: z.object({ id: z.string() }),
      answers: { 200: { description: 'The picture', types: PICTURES } },
    },
    async ({ params }, { response }) => {
      const { bytes, type } = await photos.get(params.id);
      response.type(type).set('Cache-Control', 'private, max-age=31536000, immutable').send(bytes);
    },
  );

/** Photos in and out as the pictures they are. */
export const photoRoutes = (deps: PhotoDeps): Endpoint[] => [add, readOne].map((make) => make(deps));
