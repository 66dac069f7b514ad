import { database } from '@/server/database';
import { shownFigure } from '@/server/figures';
import { madeAside } from '@/server/jobs/pool';
import { exportOf } from '@/server/requests';
import { respond } from '@/server/respond';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** A stored figure as a file of any format. With `revision` the answer may be kept, as that revision never changes. */
export const GET = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => {
    const { searchParams } = new URL(request.url);
    const { to, options, download } = exportOf(searchParams);
    const figure = await shownFigure(await database(), (await params).id);
    const { bytes, mediaType, file } = await madeAside({ figure, to, options });
    return new Response(Buffer.from(bytes), {
      headers: {
        'Content-Type': mediaType,
        'Cache-Control': searchParams.has('revision') ? 'private, max-age=31536000' : 'no-store',
        ...(download && {
          'Content-Disposition': `attachment; filename*=UTF-8''${encodeURIComponent(file)}`,
        }),
      },
    });
  });
