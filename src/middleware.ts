import { defineMiddleware } from 'astro:middleware';
import { isAllowedHost, isSameOrigin } from './server/http/origin';

const SECURITY_HEADERS: Record<string, string> = {
  'x-content-type-options': 'nosniff',
  'x-frame-options': 'DENY',
  'referrer-policy': 'same-origin',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  'permissions-policy': 'camera=(), microphone=(), geolocation=()',
};

const refuse = (status: number, text: string) =>
  new Response(JSON.stringify({ error: text }), { status, headers: { 'content-type': 'application/json' } });

/** Everything passes here: foreign hosts and foreign writes are refused, headers are set, no stack trace gets out. */
export const onRequest = defineMiddleware(async (context, next) => {
  const { request, cookies, locals } = context;
  locals.theme = cookies.get('theme')?.value === 'lamp' ? 'lamp' : 'daylight';
  const response = await answer(request, next);
  for (const [name, value] of Object.entries(SECURITY_HEADERS)) response.headers.set(name, value);
  // Astro writes the policy with the hashes of its scripts; it has no directive for style attributes, which carry paint colours.
  const policy = response.headers.get('content-security-policy');
  if (policy) response.headers.set('content-security-policy', `${policy} style-src-attr 'unsafe-inline'`);
  return response;
});

async function answer(request: Request, next: () => Promise<Response>): Promise<Response> {
  if (!isAllowedHost(request)) return refuse(403, 'This program answers only at its own address: open it at 127.0.0.1.');
  if (!isSameOrigin(request)) return refuse(403, 'This write comes from another site: open Neat Relay itself and try there.');
  try {
    return await next();
  } catch (error) {
    process.stderr.write(`${error instanceof Error ? error.stack : String(error)}\n`);
    return new Response(
      'Something went wrong on our side. What you entered earlier is stored: reload the page, and look at the log of the program if it happens again.',
      {
        status: 500,
        headers: { 'content-type': 'text/plain; charset=utf-8' },
      },
    );
  }
}
