import { NextResponse, type NextRequest } from 'next/server';

import { accessOf, refusalOf } from '@/server';

/** What a page may load and run: what comes from this server; scripts only where they carry this answer's own number. */
function policyOf(nonce: string): string {
  const isDevelopment = process.env.NODE_ENV === 'development';
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}'${isDevelopment ? " 'unsafe-eval'" : ''}`,
    // React sets styles on elements, which no nonce can reach.
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "worker-src 'self' blob:",
    "connect-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'none'",
    "frame-ancestors 'none'",
  ].join('; ');
}

/** Before each page: whether it may be asked for, and what it may run. What the API is asked is looked at in `respond`. */
export function proxy(request: NextRequest): NextResponse {
  const why = request.method === 'GET' || request.method === 'HEAD' ? null : 'Pages are only read.';
  // A link on another page may lead here; what that page cannot do is read the answer.
  const headers = new Headers(request.headers);
  headers.delete('sec-fetch-site');
  const refusal = why ?? refusalOf(request.method, headers, accessOf(process.env));
  if (refusal) return new NextResponse(refusal, { status: why ? 405 : 403 });
  const nonce = Buffer.from(crypto.getRandomValues(new Uint8Array(16))).toString('base64');
  const policy = policyOf(nonce);
  headers.set('x-nonce', nonce);
  headers.set('Content-Security-Policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('Content-Security-Policy', policy);
  return response;
}

export const config = { matcher: ['/((?!api/|_next/|icon.svg|notices.txt).*)'] };
