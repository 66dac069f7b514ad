import { partOfFigure } from '@/core/figure';
import { fileName, formatOf } from '@/core/format';
import { cardOf, database, exportOf, picturesOf, respond } from '@/server';
import { aside } from '@/server/jobs';
import { stateOf } from '@/server/shelf';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** A stored figure as a file of any format. Asked for by its revision, or the time at which a step was made, the answer may be kept, as it never changes. */
export const GET = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => {
    const {
      to,
      options,
      download,
      card,
      part,
      revision: wanted,
      made,
      state,
    } = exportOf(new URL(request.url).searchParams);
    const { id } = await params;
    const knex = await database();
    const { figure, key, revision } = await stateOf(knex, id, state, card);
    // The figure's own file has its pictures with it.
    const pictures = to === 'json' ? await picturesOf(knex, figure) : {};
    const asked = { figure: part ? partOfFigure(figure, part) : figure, to, options, pictures };
    const { signal } = request;
    const isCurrent = state.step === undefined && state.version === undefined;
    const { bytes, mediaType } = card
      ? await cardOf(knex, { id, key, isCurrent }, asked, signal)
      : await aside('makeFile', asked, { signal });
    const isMeant = isCurrent ? wanted === revision : state.version !== undefined || key.endsWith(`/${made}`);
    return new Response(Buffer.from(bytes), {
      headers: {
        'Content-Type': mediaType,
        'Cache-Control': isMeant ? 'private, max-age=31536000' : 'no-store',
        ...(download && {
          'Content-Disposition': `attachment; filename*=UTF-8''${encodeURIComponent(fileName(figure.name, formatOf(to) ?? { ending: to }))}`,
        }),
      },
    });
  });
