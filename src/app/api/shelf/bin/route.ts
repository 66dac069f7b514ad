import { database, respond } from '@/server';
import { emptyBin } from '@/server/shelf';

/** Takes all that lies in the Bin away for good. */
export const DELETE = (request: Request): Promise<Response> =>
  respond(request, async () => Response.json({ gone: await emptyBin(await database()) }));
