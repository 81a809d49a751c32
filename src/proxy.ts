import { validateServerAction } from '@/server/calls';
import { NextResponse, type NextRequest } from 'next/server';

/** Gives each page a nonce and the policy that lets only what carries it run. */
export async function proxy(request: NextRequest): Promise<NextResponse> {
  if (!(await validateServerAction(request)))
    return NextResponse.json({ say: 'This was not sent by a page of Mochila. Load the page again.' }, { status: 400 });
  const nonce = Buffer.from(crypto.getRandomValues(new Uint8Array(16))).toString('base64');
  const dev = process.env.NODE_ENV === 'development';
  const policy = [
    `default-src 'self'`,
    // The stretcher of music is WebAssembly; no other evaluation is allowed.
    `script-src 'nonce-${nonce}' 'strict-dynamic' 'wasm-unsafe-eval'${dev ? " 'unsafe-eval'" : ''}`,
    `style-src 'self' ${dev ? "'unsafe-inline'" : `'nonce-${nonce}'`}`,
    // Positions on the strip and in charts are set as style attributes.
    `style-src-attr 'unsafe-inline'`,
    `img-src 'self' data:`,
    // The engraver brings its music font inside its script.
    `font-src 'self' data:`,
    `connect-src 'self'`,
    `worker-src 'self'`,
    `object-src 'none'`,
    `base-uri 'none'`,
    `form-action 'self'`,
    `frame-ancestors 'none'`,
  ].join('; ');
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  // Only where the browser came by https; a proxy in front says so.
  if (request.headers.get('x-forwarded-proto') === 'https')
    response.headers.set('strict-transport-security', 'max-age=31536000');
  return response;
}

// Pages only: built files and the routes that answer with data need no policy.
export const config = {
  matcher: ['/((?!_next/static|worklets|speech|api|health|icon.svg).*)'],
};
