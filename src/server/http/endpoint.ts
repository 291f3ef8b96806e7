import type { APIContext, APIRoute } from 'astro';
import type { InferType, Schema } from 'yup';
import { parse } from '../../core/formats/fields';
import { InputError } from '../../core/formats/InputError';
import { announce, type Announcement } from '../bench/announcements';
import { ConflictError, NotFoundError } from '../errors';
import { services } from '../services';
import type { Stores } from '../stores';
import { readBody, TooLargeError } from './readBody';

const DEFAULT_LIMIT_BYTES = 1_000_000;

interface Call {
  stores: Stores;
  params: APIContext['params'];
  url: URL;
  request: Request;
  now: Date;
}

interface EndpointOptions {
  limitBytes?: number;
  /** What open windows are told when it is done; null when nothing is written. */
  tells?: Announcement | null;
}

/** An endpoint that takes a JSON body and parses it by one schema. A use case may return a `Response` of its own, for files. */
export function endpoint<S extends Schema>(
  schema: S,
  useCase: (input: InferType<S>, call: Call) => Promise<unknown>,
  { limitBytes = DEFAULT_LIMIT_BYTES, tells = 'changed' }: EndpointOptions = {},
): APIRoute {
  return answering(async (context, call) => {
    const answer = answerOf(await useCase(parse(schema, readJson(await readBody(context.request, limitBytes))), call));
    if (tells) announce(tells);
    return answer;
  });
}

/** An endpoint without a body, otherwise like the one above. */
export function query(useCase: (call: Call) => Promise<unknown>): APIRoute {
  return answering(async (_context, call) => answerOf(await useCase(call)));
}

const answerOf = (result: unknown) => (result instanceof Response ? result : json(result));

function answering(handle: (context: APIContext, call: Call) => Promise<Response>): APIRoute {
  return async (context) => {
    try {
      return await handle(context, {
        stores: await services(),
        params: context.params,
        url: context.url,
        request: context.request,
        now: new Date(),
      });
    } catch (error) {
      return refusal(error);
    }
  };
}

const json = (value: unknown, status = 200) =>
  new Response(JSON.stringify(value ?? null), { status, headers: { 'content-type': 'application/json', 'cache-control': 'no-store' } });

/** What is left of a body that was too large is not read, so the connection cannot be used again. */
function closing(response: Response): Response {
  response.headers.set('connection', 'close');
  return response;
}

function readJson(body: string): unknown {
  try {
    return JSON.parse(body);
  } catch {
    throw new InputError('the request', body, 'send valid JSON');
  }
}

/** Turns a refusal into its answer; what went wrong unforeseen is written to the log and not shown. */
function refusal(error: unknown): Response {
  if (error instanceof InputError) return json({ error: error.message, field: error.field }, 400);
  if (error instanceof NotFoundError) return json({ error: error.message }, 404);
  if (error instanceof ConflictError) return json({ error: error.message }, 409);
  if (error instanceof TooLargeError) return closing(json({ error: error.message }, 413));
  process.stderr.write(`${error instanceof Error ? error.stack : String(error)}\n`);
  return json(
    {
      error:
        'Something went wrong on our side, and nothing was changed: try again, and look at the log of the program if it happens again.',
    },
    500,
  );
}
