import { database } from '@/server/database';
import { respond } from '@/server/respond';
import { emptyBin } from '@/server/shelf/changes';

/** Takes all that lies in the Bin away for good. */
export const DELETE = (request: Request): Promise<Response> =>
  respond(request, async () => Response.json({ gone: await emptyBin(await database()) }));
