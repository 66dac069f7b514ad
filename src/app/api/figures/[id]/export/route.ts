import { database } from '@/server/database';
import { exportFigure } from '@/server/exportFigure';
import { loadFigure } from '@/server/figures';
import { exportOptionsOf } from '@/server/requests';
import { respond } from '@/server/respond';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** A stored figure as SVG or PNG. With `revision` the answer may be kept, as that revision never changes. */
export const GET = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => {
    const { searchParams } = new URL(request.url);
    const { options, download } = exportOptionsOf(searchParams);
    const { figure } = await loadFigure(await database(), (await params).id);
    const { bytes, type, file } = await exportFigure(figure, options);
    return new Response(Buffer.from(bytes), {
      headers: {
        'Content-Type': type,
        'Cache-Control': searchParams.has('revision') ? 'private, max-age=31536000' : 'no-store',
        ...(download && {
          'Content-Disposition': `attachment; filename*=UTF-8''${encodeURIComponent(file)}`,
        }),
      },
    });
  });
