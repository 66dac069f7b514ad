import { database } from '@/server/database';
import { TooLarge } from '@/server/errors';
import { MOST_PICTURE_BYTES, storePicture } from '@/server/pictures';
import { respond } from '@/server/respond';

/** Takes a picture's bytes and says by which id it is kept. */
export const POST = (request: Request): Promise<Response> =>
  respond(request, async () => {
    const tooLarge = new TooLarge(`A picture is at most ${MOST_PICTURE_BYTES / 1e6} MB large.`);
    if (Number(request.headers.get('content-length') ?? 0) > MOST_PICTURE_BYTES) throw tooLarge;
    const bytes = Buffer.from(await request.arrayBuffer());
    if (bytes.length > MOST_PICTURE_BYTES) throw tooLarge;
    return Response.json(await storePicture(await database(), bytes), { status: 201 });
  });
