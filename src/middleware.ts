import { defineMiddleware } from 'astro:middleware';
import { asDataError } from './data/file/dataErrors';
import { dataFolder } from './server/running/dataFolder';
import { UNHEARD } from './server/running/givingUp';
import { serving } from './server/running/serving';

const routes = import.meta.glob('./pages/api/**/*.ts');

/** Every page and endpoint passes here, behind the host: no stack trace gets out, and what is not there says so in its own kind. */
export const onRequest = defineMiddleware(async ({ url, request, routePattern, cookies, locals }, next) => {
  const theme = cookies.get('theme')?.value;
  locals.theme = theme === 'light' || theme === 'dark' ? theme : null;
  const isPage = !url.pathname.startsWith('/api/');
  if (isPage && !['GET', 'HEAD'].includes(request.method))
    return refuse(405, 'A page is only read: use an address that the pages write to.', { allow: 'GET, HEAD' });
  const answer = () => next().catch(failure);
  // Endpoints pass the gate once they have read what was sent.
  // Whoever waited while the program came to its end has gone, and opens the data no more.
  const page = () => (request.signal.aborted ? Promise.resolve(new Response(null, { status: UNHEARD })) : answer());
  const response = isPage ? await serving.together(page) : await answer();
  if (!isPage && response.status === 404 && !isJson(response)) return notThere(routePattern);
  // Astro writes the policy with the hashes of its scripts; it has no directive for style attributes, which carry paint colours.
  const policy = response.headers.get('content-security-policy');
  if (policy) response.headers.set('content-security-policy', `${policy} style-src-attr 'unsafe-inline'`);
  return response;
});

const isJson = (response: Response) => response.headers.get('content-type')?.startsWith('application/json') ?? false;

const refuse = (status: number, error: string, headers: Record<string, string> = {}) =>
  new Response(JSON.stringify({ error }), { status, headers: { 'content-type': 'application/json', ...headers } });

/** An endpoint that takes other methods says which; an address without an endpoint says that there is none. */
async function notThere(routePattern: string): Promise<Response> {
  const load = routes[`./pages${routePattern}.ts`] ?? routes[`./pages${routePattern}/index.ts`];
  if (!load) return refuse(404, 'There is nothing at this address: look at the addresses that the pages use.');
  const methods = Object.keys((await load()) as object).join(', ');
  return refuse(405, `This address takes only ${methods}: use one of these.`, { allow: methods });
}

/** What the page could not help. A data folder that cannot be used says so itself. */
function failure(error: unknown): Response {
  const dataError = asDataError(error, dataFolder());
  if (!dataError) process.stderr.write(`${error instanceof Error ? error.stack : String(error)}\n`);
  const text =
    dataError?.message ??
    'Something went wrong on our side. What you entered earlier is stored: reload the page, and look at the log of the program if it happens again.';
  return new Response(text, { status: dataError ? 503 : 500, headers: { 'content-type': 'text/plain; charset=utf-8' } });
}
