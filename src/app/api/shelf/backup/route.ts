import { createReadStream, createWriteStream, mkdtempSync, rmSync, statSync } from 'node:fs';
import path from 'node:path';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ReadableStream } from 'node:stream/web';

import { database, dataDirectory, respond, TooLarge } from '@/server';
import { backUp, takeBackup } from '@/server/shelf';

/** Largest backup taken, in bytes. */
const MOST_BYTES = 4_000_000_000;

/** A folder of its own for one file, beside the data, so that it is on the same disk; and what takes it away. */
function room(): { readonly file: string; readonly end: () => void } {
  const folder = mkdtempSync(path.join(dataDirectory(), 'passing-'));
  return {
    file: path.join(folder, 'shelf.sqlite'),
    end: () => rmSync(folder, { recursive: true, force: true }),
  };
}

/** The whole Shelf as one file. */
export const GET = (request: Request): Promise<Response> =>
  respond(request, async () => {
    // Nothing is there to be copied before the data is.
    await database();
    const { file, end } = room();
    try {
      await backUp(dataDirectory(), file);
      const stream = createReadStream(/* turbopackIgnore: true */ file);
      stream.on('close', end);
      const name = `shelf-${new Date().toISOString().slice(0, 10)}.sqlite`;
      return new Response(Readable.toWeb(stream) as unknown as BodyInit, {
        headers: {
          'Content-Type': 'application/vnd.sqlite3',
          'Content-Length': String(statSync(/* turbopackIgnore: true */ file).size),
          'Content-Disposition': `attachment; filename="${name}"`,
          'Cache-Control': 'no-store',
        },
      });
    } catch (error) {
      end();
      throw error;
    }
  });

/** Lets no more than so many bytes through. */
function limited(most: number): Transform {
  let length = 0;
  return new Transform({
    transform(part: Buffer, _, done) {
      length += part.length;
      done(length > most ? new TooLarge(`A backup is at most ${most / 1e9} GB large.`) : null, part);
    },
  });
}

/** Puts what a backup holds beside what is on the Shelf. */
export const POST = (request: Request): Promise<Response> =>
  respond(request, async () => {
    const { file, end } = room();
    try {
      const body = request.body ? Readable.fromWeb(request.body as ReadableStream) : Readable.from([]);
      await pipeline(body, limited(MOST_BYTES), createWriteStream(file));
      return Response.json(await takeBackup(await database(), file));
    } finally {
      end();
    }
  });
