/**
 * Pictures that travel with a figure: what lies under the Bench is kept by the server and named by id; in a file of its own it goes along as a
 * data address.
 *
 * @example
 * const { figure, pictures } = partedFromPictures(JSON.parse(text));
 * // keep each of `pictures`, and give the figure the ids by which they are kept: withPictureIds(figure, ids)
 */

/** Data addresses (RFC 2397) by the ids that the figure has for them. */
export type Pictures = Readonly<Record<string, string>>;

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const DATA = /^data:(image\/[a-z+]+);base64,([A-Za-z0-9+/]+=*)$/;

/** What a file holds, and its pictures apart; what is no picture is left out. */
export function partedFromPictures(value: unknown): {
  readonly figure: unknown;
  readonly pictures: Pictures;
} {
  if (!isRecord(value) || !('pictures' in value)) return { figure: value, pictures: {} };
  const { pictures, ...figure } = value;
  const kept = isRecord(pictures)
    ? Object.entries(pictures).filter(
        (entry): entry is [string, string] => typeof entry[1] === 'string' && DATA.test(entry[1]),
      )
    : [];
  return { figure, pictures: Object.fromEntries(kept) };
}

/** A figure with other ids for its pictures; one that is not among them stays. */
export function withPictureIds(figure: unknown, ids: ReadonlyMap<string, string>): unknown {
  if (!isRecord(figure) || !isRecord(figure['underlay'])) return figure;
  const { underlay } = figure;
  const id = ids.get(String(underlay['picture']));
  return id === undefined ? figure : { ...figure, underlay: { ...underlay, picture: id } };
}

/** The type and the base64 of a data address; null for what is none. */
export function dataOf(address: string): { readonly type: string; readonly base64: string } | null {
  const [, type, base64] = DATA.exec(address) ?? [];
  return type !== undefined && base64 !== undefined ? { type, base64 } : null;
}
