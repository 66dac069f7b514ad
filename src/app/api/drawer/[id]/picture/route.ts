import { database, respond } from '@/server';
import { aside } from '@/server/jobs';
import { loadMotif } from '@/server/shelf';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** A motif as a picture: `?revision=N`, so that the answer may be kept. */
export const GET = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => {
    const { figure, revision } = await loadMotif(await database(), (await params).id, true);
    const options = { background: false, decimals: 2 };
    const { signal } = request;
    const { bytes, mediaType } = await aside(
      'makeFile',
      { figure, to: 'svg', options },
      { card: true, signal },
    );
    const isMeant = new URL(request.url).searchParams.get('revision') === String(revision);
    return new Response(Buffer.from(bytes), {
      headers: {
        'Content-Type': mediaType,
        'Cache-Control': isMeant ? 'private, max-age=31536000' : 'no-store',
      },
    });
  });
