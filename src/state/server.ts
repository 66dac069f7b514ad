import type { Figure, OwnTarget, StoredStep } from '@/core/figure';
import { dataOf, partedFromPictures, withPictureIds } from '@/core/format/figure';
import { OWN_HEADER } from '@/protocol';
import type {
  Collection,
  FaceName,
  FigureHistory,
  FigurePage,
  FigureSummary,
  KeptMotif,
  MotifEntry,
  ShapedWords,
  SavedFigure,
  SaveRequest,
  ShelfChange,
  ShelfFacts,
  ShelfQuery,
  StateRef,
  StoredPicture,
  TakenBackup,
  ThinningRules,
  VersionEntry,
} from '@/protocol';

/** An answer of the server that is not the one hoped for; `status` 0 where there was no answer. */
export class ServerProblem extends Error {
  constructor(
    readonly status: number,
    message: string,
  ) {
    super(message);
  }
}

const typeOf = (body: unknown): string =>
  body instanceof Blob ? body.type || 'application/octet-stream' : 'application/json';

async function ask<T>(
  address: string,
  method = 'GET',
  body?: unknown,
  { keepalive = false, signal }: Pick<RequestInit, 'keepalive' | 'signal'> = {},
): Promise<T> {
  let response: Response;
  try {
    response = await fetch(address, {
      method,
      keepalive,
      ...(signal && { signal }),
      ...(method !== 'GET' && { headers: { [OWN_HEADER]: '1', 'Content-Type': typeOf(body) } }),
      ...(body !== undefined && { body: body instanceof Blob ? body : JSON.stringify(body) }),
    });
  } catch {
    throw new ServerProblem(0, 'The server does not answer. Your changes are kept here.');
  }
  if (response.status === 204) return undefined as T;
  const value: unknown = await response.json().catch(() => null);
  if (response.ok) return value as T;
  const message =
    typeof value === 'object' && value !== null && 'error' in value && typeof value.error === 'string'
      ? value.error
      : `The server answered with status ${response.status}.`;
  throw new ServerProblem(response.status, message);
}

const motifAt = (id: string, part = ''): string => `/api/drawer/${encodeURIComponent(id)}${part}`;

/** Where the picture of a motif of the drawer is. */
export const motifPicture = ({ id, revision }: MotifEntry): string =>
  motifAt(id, `/picture?revision=${revision}`);

/** A state of a figure as part of an address. */
const stateWords = ({ step, version }: StateRef): string =>
  new URLSearchParams({
    ...(step !== undefined && { step: String(step) }),
    ...(version !== undefined && { version }),
  }).toString();

const at = (id: string, part = ''): string => `/api/figures/${encodeURIComponent(id)}${part}`;

/** The server's routes as functions; each throws a ServerProblem with a sentence for the person. */
export const server = {
  list: ({ search, sort, binned, collection, label }: ShelfQuery, from: number, count: number) => {
    const asked = new URLSearchParams({
      search: search.slice(0, 200),
      sort,
      from: String(from),
      count: String(count),
      ...(binned && { binned: '1' }),
      ...(collection !== undefined && { collection }),
      ...(label !== undefined && { label }),
    });
    return ask<FigurePage>(`/api/figures?${asked.toString()}`);
  },
  shelf: () => ask<ShelfFacts>('/api/shelf'),
  change: (change: ShelfChange) => ask<undefined>('/api/figures/changes', 'POST', change),
  emptyBin: () => ask<{ gone: number }>('/api/shelf/bin', 'DELETE'),
  makeCollection: (name: string) => ask<Collection>('/api/shelf/collections', 'POST', { name }),
  renameCollection: (id: string, name: string) =>
    ask<undefined>(`/api/shelf/collections/${encodeURIComponent(id)}`, 'PATCH', { name }),
  dropCollection: (id: string) =>
    ask<undefined>(`/api/shelf/collections/${encodeURIComponent(id)}`, 'DELETE'),
  takeBackup: (file: Blob) => ask<TakenBackup>('/api/shelf/backup', 'POST', file),
  thinning: () => ask<ThinningRules>('/api/shelf/thinning'),
  setThinning: (rules: ThinningRules) => ask<ThinningRules>('/api/shelf/thinning', 'PUT', rules),
  /** Targets of proofs that are kept for all figures. */
  targets: () => ask<OwnTarget[]>('/api/shelf/targets'),
  keepTarget: (target: OwnTarget) => ask<OwnTarget[]>('/api/shelf/targets', 'PUT', target),
  dropTarget: (id: string) => ask<OwnTarget[]>(`/api/shelf/targets/${encodeURIComponent(id)}`, 'DELETE'),
  motifs: () => ask<MotifEntry[]>('/api/drawer'),
  /** Those that were taken out and can be put in again. */
  motifsOut: () => ask<MotifEntry[]>('/api/drawer?out=1'),
  motif: (id: string) => ask<KeptMotif>(motifAt(id)),
  keepMotif: (body: { name: string; labels: readonly string[]; figure: Figure }) =>
    ask<MotifEntry>('/api/drawer', 'POST', body),
  changeMotif: (id: string, body: { name?: string; labels?: readonly string[]; figure?: Figure }) =>
    ask<MotifEntry>(motifAt(id), 'PATCH', body),
  dropMotif: (id: string) => ask<undefined>(motifAt(id), 'DELETE'),
  restoreMotif: (id: string) => ask<undefined>(motifAt(id, '/restore'), 'POST'),
  /** What a person's file holds is checked by the server. */
  takeMotifs: (set: unknown) => ask<{ added: number }>('/api/drawer/set', 'POST', set),
  history: (id: string) => ask<FigureHistory>(at(id, '/history')),
  /** A figure as it was. */
  state: (id: string, state: StateRef) => ask<Figure>(at(id, `/state?${stateWords(state)}`)),
  keepVersion: (id: string, body: StateRef & { name: string }) =>
    ask<VersionEntry>(at(id, '/versions'), 'POST', body),
  renameVersion: (id: string, version: string, name: string) =>
    ask<undefined>(at(id, `/versions/${encodeURIComponent(version)}`), 'PATCH', { name }),
  dropVersion: (id: string, version: string) =>
    ask<undefined>(at(id, `/versions/${encodeURIComponent(version)}`), 'DELETE'),
  /** Tells that this window has a figure open. */
  noteOpen: (id: string, window: string) => ask<{ others: number }>(at(id, '/open'), 'POST', { window }),
  noteClosed: (id: string, window: string) =>
    ask<undefined>(at(id, '/open'), 'DELETE', { window }, { keepalive: true }),
  create: (body: { name?: string; figure?: Figure }) => ask<FigureSummary>('/api/figures', 'POST', body),
  /** What a person's file holds is checked by the server, which says what is wrong with it. */
  createFrom: (figure: unknown) => ask<FigureSummary>('/api/figures', 'POST', { figure }),
  load: (id: string) => ask<SavedFigure>(at(id)),
  save: (id: string, request: SaveRequest, keepalive = false) =>
    ask<FigureSummary>(at(id), 'PUT', request, { keepalive }),
  rename: (id: string, name: string) => ask<FigureSummary>(at(id), 'PATCH', { name }),
  remove: (id: string) => ask<undefined>(at(id), 'DELETE'),
  restore: (id: string) => ask<FigureSummary>(at(id, '/restore'), 'POST'),
  /** A copy of a figure as it is, or of a state of it. */
  duplicate: (id: string, state: StateRef & { name?: string } = {}) =>
    ask<FigureSummary>(at(id, '/duplicate'), 'POST', state),
  faces: () => ask<FaceName[]>('/api/faces'),
  keepFace: (file: Blob) => ask<FaceName>('/api/faces', 'POST', file),
  /** @param part spaces before and after it count */
  shape: (
    text: string,
    face: string,
    { part = false, signal }: { part?: boolean; signal?: AbortSignal } = {},
  ) => ask<ShapedWords>('/api/words', 'POST', { text, face, part }, signal && { signal }),
  keepPicture: (file: Blob) => ask<StoredPicture>('/api/pictures', 'POST', file),
  stepsBefore: (id: string, before: number, count: number) =>
    ask<StoredStep[]>(at(id, `/steps?before=${before}&count=${count}`)),
};

/** A figure of a file on the Shelf: its pictures are kept first, under ids of this server. */
export async function createWithPictures(value: unknown): Promise<FigureSummary> {
  const { figure, pictures } = partedFromPictures(value);
  const ids = new Map<string, string>();
  for (const [id, address] of Object.entries(pictures)) {
    const data = dataOf(address);
    if (!data) continue;
    const bytes = Uint8Array.from(atob(data.base64), (letter) => letter.charCodeAt(0));
    ids.set(id, (await server.keepPicture(new Blob([bytes], { type: data.type }))).id);
  }
  return server.createFrom(withPictureIds(figure, ids));
}

export const pictureAddress = (id: string): string => `/api/pictures/${encodeURIComponent(id)}`;

/** Where the proof of a figure is as a report. */
export const proofAddress = (id: string, parameters: Record<string, string>): string =>
  at(id, `/proof?${new URLSearchParams(parameters).toString()}`);

export const exportAddress = (id: string, parameters: Record<string, string>): string =>
  at(id, `/export?${new URLSearchParams(parameters).toString()}`);
