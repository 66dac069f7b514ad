import Joi from 'joi';

import { LIMITS } from '@/core/figure';
import { MergeFailed } from '@/core/merge';
import { accessOf, refusalOf } from './access';
import { jsonOf } from './body';
import { Refused } from './errors';
import { whyUnwritten } from './unwritten';

/** Sent where the person can do nothing but know that their work is safe. */
const UNEXPECTED = 'Something went wrong on the server. What was saved before is safe; try again.';

/** For whoever looks at the server's log; nobody else sees it. */
const GONE = 499;

const failure = (status: number, error: string): Response => Response.json({ error }, { status });

function answerTo(error: unknown): Response {
  if (error instanceof Refused) return failure(error.status, error.message);
  if (error instanceof MergeFailed) return failure(422, error.message);
  if (error instanceof Joi.ValidationError) return failure(400, `${error.message}.`);
  const why = whyUnwritten(error);
  if (why) return failure(507, `${why} Nothing was saved. Your changes are kept here.`);
  console.error(error);
  return failure(500, UNEXPECTED);
}

/** Runs a route for who may ask (access.ts); errors become a status and a JSON body with a sentence. */
export async function respond(request: Request, route: () => Promise<Response>): Promise<Response> {
  const why = refusalOf(request.method, request.headers, accessOf(process.env));
  if (why) return failure(403, why);
  try {
    return await route();
  } catch (error) {
    // Who asked is gone: nobody reads the answer, and nothing is wrong.
    return request.signal.aborted ? new Response(null, { status: GONE }) : answerTo(error);
  }
}

/** The JSON of a request. @throws TooLarge, Refused */
export const bodyOf = (request: Request, most: number = LIMITS.bytes): Promise<unknown> =>
  jsonOf(request, most);

/**
 * A value that a schema allows.
 * @param from what came as JSON is taken as it is; in an address all is text, and numbers are read from it
 * @throws Joi.ValidationError
 */
export function valid<T>(schema: Joi.ObjectSchema<T>, value: unknown, from: 'body' | 'address'): T {
  const result = schema.validate(value, { convert: from === 'address' });
  if (result.error) throw result.error;
  return result.value;
}
