import { bytesOf, database, MOST_PICTURE_BYTES, respond, storePicture } from '@/server';

/** Takes a picture's bytes and says by which id it is kept. */
export const POST = (request: Request): Promise<Response> =>
  respond(request, async () => {
    const sentence = `A picture is at most ${MOST_PICTURE_BYTES / 1e6} MB large.`;
    const bytes = await bytesOf(request, MOST_PICTURE_BYTES, sentence);
    return Response.json(await storePicture(await database(), bytes, { signal: request.signal }), {
      status: 201,
    });
  });
