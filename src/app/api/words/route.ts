import { bodyOf, bytesOfFace, database, respond, valid, wordsSchema } from '@/server';
import { aside, MOST_TIME } from '@/server/jobs';

/** The outlines of a line of text in a face. */
export const POST = (request: Request): Promise<Response> =>
  respond(request, async () => {
    const { text, face, part } = valid(wordsSchema, await bodyOf(request), 'body');
    const bytes = await bytesOfFace(await database(), face);
    const turn = { time: MOST_TIME.picture, signal: request.signal };
    return Response.json(await aside('shapeText', { bytes, text, part }, turn));
  });
