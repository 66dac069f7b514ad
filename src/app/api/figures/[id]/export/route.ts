import { partOfFigure } from '@/core/figure/part';
import { cardOf } from '@/server/cards';
import { database } from '@/server/database';
import { shownRevision } from '@/server/figures';
import { aside } from '@/server/jobs/pool';
import { picturesOf } from '@/server/pictures';
import { exportOf } from '@/server/requests';
import { respond } from '@/server/respond';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** A stored figure as a file of any format. Asked for by its revision the answer may be kept, as that revision never changes. */
export const GET = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => {
    const {
      to,
      options,
      download,
      card,
      part,
      revision: wanted,
    } = exportOf(new URL(request.url).searchParams);
    const { id } = await params;
    const { figure, revision } = await shownRevision(await database(), id);
    // The figure's own file has its pictures with it.
    const pictures = to === 'json' ? await picturesOf(await database(), figure) : {};
    const asked = { figure: part ? partOfFigure(figure, part) : figure, to, options, pictures };
    const { signal } = request;
    const { bytes, mediaType, file } = card
      ? await cardOf(`${id}/${revision}`, asked, signal)
      : await aside('makeFile', asked, { signal });
    return new Response(Buffer.from(bytes), {
      headers: {
        'Content-Type': mediaType,
        'Cache-Control': wanted === revision ? 'private, max-age=31536000' : 'no-store',
        ...(download && {
          'Content-Disposition': `attachment; filename*=UTF-8''${encodeURIComponent(file)}`,
        }),
      },
    });
  });
