import { database } from '@/server/database';
import { bytesOfFace } from '@/server/faces';
import { MOST_TIME } from '@/server/jobs/limits';
import { aside } from '@/server/jobs/pool';
import { wordsSchema } from '@/server/requests';
import { bodyOf, respond, valid } from '@/server/respond';

/** The outlines of a line of text in a face. */
export const POST = (request: Request): Promise<Response> =>
  respond(request, async () => {
    const { text, face, part } = valid(wordsSchema, await bodyOf(request), 'body');
    const bytes = await bytesOfFace(await database(), face);
    const turn = { time: MOST_TIME.picture, signal: request.signal };
    return Response.json(await aside('shapeText', { bytes, text, part }, turn));
  });
