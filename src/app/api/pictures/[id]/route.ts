import { database, loadPicture, respond } from '@/server';

interface Context {
  readonly params: Promise<{ id: string }>;
}

/** A stored picture; it never changes. */
export const GET = (request: Request, { params }: Context): Promise<Response> =>
  respond(request, async () => {
    const { bytes, type } = await loadPicture(await database(), (await params).id);
    return new Response(new Uint8Array(bytes), {
      headers: { 'Content-Type': type, 'Cache-Control': 'private, max-age=31536000, immutable' },
    });
  });
