/**
 * A figure as files and the database have it: motifs stand once, by their ids, and rounds name theirs. In memory each round has its motif at
 * hand; rounds that share one have the same lists (see update.ts).
 *
 * @example
 * const text = JSON.stringify(storedFigure(figure));
 * const figure = figureOfStored(upgraded(JSON.parse(text)));
 */
import type { Figure, Round } from './model';

type Json = Readonly<Record<string, unknown>>;

interface StoredMotif extends Pick<Round, 'shapes' | 'groups'> {
  readonly id: string;
}

interface StoredRound extends Omit<Round, 'shapes' | 'groups' | 'motif'> {
  /** The id of its motif. */
  readonly motif: string;
}

export interface StoredFigure extends Omit<Figure, 'rounds'> {
  readonly motifs: readonly StoredMotif[];
  readonly rounds: readonly StoredRound[];
}

/** What the motif of a round is called that has one for itself: as the round, unless that is what others share. */
function ownName(id: string, shared: ReadonlySet<unknown>): string {
  return shared.has(id) ? ownName(`${id}-own`, shared) : id;
}

/** The names of motifs that rounds say they share. */
const sharedNames = (rounds: readonly { readonly motif?: unknown }[]): ReadonlySet<unknown> =>
  new Set(rounds.flatMap(({ motif }) => motif ?? []));

/** A round and its motif parted; the same objects for the same round, so that what did not change is seen at once. */
const parted = new WeakMap<
  Round,
  { readonly name: string; readonly round: StoredRound; readonly motif: StoredMotif }
>();

function partedRound(
  from: Round,
  name: string,
): { readonly round: StoredRound; readonly motif: StoredMotif } {
  const known = parted.get(from);
  if (known?.name === name) return known;
  const { shapes, groups, motif: _, ...rest } = from;
  const made = {
    name,
    round: { ...rest, motif: name },
    motif: { id: name, shapes, ...(groups && { groups }) },
  };
  parted.set(from, made);
  return made;
}

/** A figure as it is stored. */
export function storedFigure(figure: Figure): StoredFigure {
  const shared = sharedNames(figure.rounds);
  const parts = figure.rounds.map((round) => partedRound(round, round.motif ?? ownName(round.id, shared)));
  const motifs = new Map(parts.map(({ motif }) => [motif.id, motif]));
  const { rounds: _, ...rest } = figure;
  return { ...rest, motifs: [...motifs.values()], rounds: parts.map(({ round }) => round) };
}

const isRecord = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const joined = new WeakMap<
  object,
  { readonly motif: unknown; readonly own: boolean; readonly round: Json }
>();

/** A stored round with its motif; the same object for the same two. */
function joinedRound(stored: Json, motif: Json, isOwn: boolean): Json {
  const known = joined.get(stored);
  if (known?.motif === motif && known.own === isOwn) return known.round;
  const { motif: name, ...rest } = stored;
  const { id: _, ...what } = motif;
  const round = { ...rest, ...(isOwn ? {} : { motif: name }), ...what };
  joined.set(stored, { motif, own: isOwn, round });
  return round;
}

/** The id of a motif that would be lost on reading: no round names it, or another has its id; empty where it has none. Null where none is lost. */
export function lostMotif({ motifs, rounds }: Json): string | null {
  if (!Array.isArray(motifs) || !Array.isArray(rounds)) return null;
  const named = new Set((rounds as readonly unknown[]).filter(isRecord).map(({ motif }) => motif));
  const ids = (motifs as readonly unknown[]).filter(isRecord).map(({ id }) => id);
  const place = ids.findIndex((id, k) => !named.has(id) || ids.indexOf(id) !== k);
  if (place < 0) return null;
  const lost = ids[place];
  if (lost === undefined) return '';
  return typeof lost === 'string' ? lost : JSON.stringify(lost);
}

/**
 * What was stored as a figure, with each round's motif at hand. What is no stored figure comes back as it is, a round whose motif is not there
 * without one, for the schema to say what is wrong.
 */
export function figureOfStored(stored: Json): Json {
  const { motifs, ...rest } = stored;
  const { rounds } = rest;
  if (!Array.isArray(motifs) || !Array.isArray(rounds)) return stored;
  const byId = new Map(motifs.filter(isRecord).map((motif) => [motif['id'], motif]));
  const all = rounds as readonly unknown[];
  const uses = new Map<unknown, number>();
  for (const round of all.filter(isRecord)) uses.set(round['motif'], (uses.get(round['motif']) ?? 0) + 1);
  /** True where a round has its motif for itself: it is called as it would be then. */
  const isOwn = (round: Json, name: unknown): boolean => {
    const others = new Set([...uses.keys()].filter((each) => each !== name));
    return uses.get(name) === 1 && name === ownName(String(round['id']), others);
  };
  return {
    ...rest,
    rounds: all.map((round) => {
      const motif = isRecord(round) ? byId.get(round['motif']) : undefined;
      if (!isRecord(round) || !motif) return round;
      return joinedRound(round, motif, isOwn(round, motif['id']));
    }),
  };
}
