import { bytesOf, database, facesIn, MOST_FACE_BYTES, respond, storeFace } from '@/server';

/** The faces that words can be set in. */
export const GET = (request: Request): Promise<Response> =>
  respond(request, async () => Response.json(await facesIn(await database())));

/** Takes a font file's bytes and says by which id and name its face is kept. */
export const POST = (request: Request): Promise<Response> =>
  respond(request, async () => {
    const sentence = `A font file is at most ${MOST_FACE_BYTES / 1e6} MB large.`;
    const bytes = await bytesOf(request, MOST_FACE_BYTES, sentence);
    return Response.json(await storeFace(await database(), new Uint8Array(bytes)), { status: 201 });
  });
