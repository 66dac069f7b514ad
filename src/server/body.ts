/**
 * Reading what is sent, no further than a limit: what is larger is cut off while it comes in, whatever length was announced.
 *
 * @example
 * const figure = await jsonOf(request, 8_000_000);
 */
import { notJson } from './access';
import { Refused, TooLarge } from './errors';

/**
 * The bytes of a request.
 * @param most how many there may be
 * @throws TooLarge as soon as there are more
 */
export async function bytesOf(request: Request, most: number, sentence = tooLarge(most)): Promise<Buffer> {
  const announced = Number(request.headers.get('content-length') ?? 0);
  if (announced > most) throw new TooLarge(sentence);
  const parts: Uint8Array[] = [];
  let length = 0;
  const reader = request.body?.getReader();
  for (let part = await reader?.read(); part && !part.done; part = await reader?.read()) {
    length += part.value.length;
    if (length > most) {
      await reader?.cancel();
      throw new TooLarge(sentence);
    }
    parts.push(part.value);
  }
  return Buffer.concat(parts);
}

const tooLarge = (most: number): string => `This is larger than ${most / 1e6} MB.`;

/** Keys that would reach into what all objects share. */
const UNSAFE: ReadonlySet<string> = new Set(['__proto__', 'constructor', 'prototype']);

/** True where some object in a value that came as JSON has a key of its own that is not taken. */
function hasUnsafeKey(value: unknown): boolean {
  // A list of what is still to be looked at, as nothing says how deep a body goes.
  const left: unknown[] = [value];
  while (left.length > 0) {
    const next = left.pop();
    if (typeof next !== 'object' || next === null) continue;
    if (!Array.isArray(next) && Object.keys(next).some((key) => UNSAFE.has(key))) return true;
    for (const each of Object.values(next)) left.push(each);
  }
  return false;
}

/** The JSON of a request. @throws TooLarge; Refused where it is none, or has a key that no object of ours has */
export async function jsonOf(request: Request, most: number): Promise<unknown> {
  const why = notJson(request.headers);
  if (why) throw new Refused(why);
  const text = (await bytesOf(request, most)).toString('utf8');
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    throw new Refused('The body is not JSON.');
  }
  if (hasUnsafeKey(value)) throw new Refused('The body has a key that is not taken.');
  return value;
}
