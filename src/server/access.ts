/**
 * Who may ask: pages of this server, opened at an address of this machine, and programs that mean it. A page of another server, or of
 * another port, and a name that was made to lead here, are refused before anything is looked at.
 *
 * @example
 * const why = refusalOf(request.method, request.headers, accessOf(process.env));
 * if (why) return Response.json({ error: why }, { status: 403 });
 */
import { OWN_HEADER } from '@/protocol';

export interface Access {
  /** Host names at which the server may be asked. */
  readonly names: readonly string[];
  /** The port that is served; null where that is not known. */
  readonly port: string | null;
}

const LOOPBACK = ['127.0.0.1', 'localhost', '[::1]'];
const DEFAULT_PORTS: Readonly<Record<string, string>> = { 'http:': '80', 'https:': '443' };

/**
 * Where the server may be asked, by its settings.
 * @param env `CYCLOGON_HOSTS`: further host names, parted by commas; `PORT`: the port that is served
 */
export const accessOf = (env: Readonly<Record<string, string | undefined>>): Access => ({
  names: [...LOOPBACK, ...(env['CYCLOGON_HOSTS'] ?? '').split(',').map((name) => name.trim().toLowerCase())],
  port: env['PORT'] ?? null,
});

/** The address of a Host header or an origin; null where it is none. */
function addressOf(text: string): URL | null {
  return URL.canParse(text) ? new URL(text) : null;
}

const portOf = ({ protocol, port }: URL): string => port || (DEFAULT_PORTS[protocol] ?? '');

function isOwnHost(host: string, { names, port }: Access): boolean {
  const address = /[/@\\?#]/.test(host) ? null : addressOf(`http://${host}`);
  if (!address || !names.includes(address.hostname.toLowerCase())) return false;
  // Behind a server that passes requests on, a name of the settings may be served at any port.
  return port === null || !LOOPBACK.includes(address.hostname) || portOf(address) === port;
}

const isRead = (method: string): boolean => method === 'GET' || method === 'HEAD';

/**
 * Why a request is refused, as a sentence; null where it may be answered.
 * @param method as HTTP names it
 * @param headers of the request
 */
export function refusalOf(method: string, headers: Headers, access: Access): string | null {
  const host = headers.get('host') ?? '';
  if (!isOwnHost(host, access))
    return 'This address is not one that the server is asked at: use 127.0.0.1 or localhost with its port.';
  const origin = headers.get('origin');
  if (origin !== null && addressOf(origin)?.host !== addressOf(`http://${host}`)?.host)
    return 'Only pages of this server may ask it.';
  const site = headers.get('sec-fetch-site');
  if (site !== null && site !== 'same-origin' && site !== 'none')
    return 'Only pages of this server may ask it.';
  if (!isRead(method) && !headers.has(OWN_HEADER))
    return `Whoever changes figures sends the header ${OWN_HEADER}.`;
  return null;
}

/** Why a body of this kind is not taken; null where it is JSON. */
export const notJson = (headers: Headers): string | null =>
  /^application\/json\s*(;|$)/i.test(headers.get('content-type') ?? '')
    ? null
    : 'What is sent has to be application/json.';
