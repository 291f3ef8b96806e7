import type { APIContext, APIRoute } from 'astro';
import type { InferType, Schema } from 'yup';
import { parse } from '../../core/formats/fields';
import { readJson } from '../../core/formats/readJson';
import { asDataError, isBusy, UnfitBackupError } from '../../data/file/dataErrors';
import { InputError } from '../../core/kernel/InputError';
import { announce, type Announcement } from '../running/announcements';
import { ConflictError, NotFoundError } from '../stores/errors';
import { forAll, forClient, GivenUpError, stopIfGone, UNHEARD, untilDone } from '../running/givingUp';
import { programTime } from '../running/programTime';
import { dataFolder } from '../running/dataFolder';
import { checkInPlace, openedDatabase, services, writing } from '../starting/services';
import type { Stores } from '../stores/stores';
import { taskInThread } from '../work/threads';
import type { TaskName, TaskRequest } from '../work/tasks';
import { openQuestions, serving } from '../running/serving';
import { readBody, readBytes, StalledError, TooLargeError } from './readBody';

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
  /** What open windows are told when it is done; null when nothing that they show is written. */
  tells?: Announcement | null;
  /** It writes so much that others wait until it is done. */
  isAlone?: boolean;
}

/** An endpoint that takes a JSON body and parses it by one schema, and writes. */
export function endpoint<S extends Schema>(
  schema: S,
  useCase: (input: InferType<S>, call: Call) => Promise<unknown>,
  { limitBytes = DEFAULT_LIMIT_BYTES, tells = 'changed', isAlone = false }: EndpointOptions = {},
): APIRoute {
  return answering(jsonBody(limitBytes), async (body, call) => {
    const input = parse(schema, readJson(body));
    const pass = isAlone ? writing.byItself.bind(writing) : writing.together.bind(writing);
    // A write is never left halfway, whoever goes.
    const answer = answerOf(await pass(() => forAll(() => useCase(input, call))));
    if (tells) announce(tells);
    return answer;
  });
}

/** An endpoint that takes a file as it is, and writes. */
export function bytesEndpoint(
  useCase: (file: Uint8Array, call: Call) => Promise<unknown>,
  { limitBytes }: Required<Pick<EndpointOptions, 'limitBytes'>>,
): APIRoute {
  return answering(bytesBody(limitBytes), async (file, call) => answerOf(await writing.together(() => forAll(() => useCase(file, call)))));
}

/** An endpoint that takes a JSON body and writes nothing. A use case may return a `Response` of its own, for files. */
export function question<S extends Schema>(schema: S, useCase: (input: InferType<S>, call: Call) => Promise<unknown>): APIRoute {
  return answering(jsonBody(DEFAULT_LIMIT_BYTES), async (body, call) => answerOf(await useCase(parse(schema, readJson(body)), call)));
}

/**
 * An endpoint without a body, otherwise like the one above. Whoever says that an answer may come later (`prefer: respond-async`) is
 * told within a moment that it is still being worked out, and asks again.
 */
export function query(useCase: (call: Call) => Promise<unknown>): APIRoute {
  const atOnce = answering(noBody, async (_body, call) => answerOf(await useCase(call)));
  const later = answering(noBody, async (_body, call) => {
    const found = await openQuestions.soon(`${call.url.pathname}${call.url.search} ${await call.stores.version()}`, () => useCase(call));
    return found ? answerOf(found.ready) : json({ working: true }, 202);
  });
  return (context) => (context.request.headers.get('prefer') === 'respond-async' ? later : atOnce)(context);
}

/** An endpoint that does not need the data folder open, as it changes the very file. */
export const unopened =
  (useCase: (call: Omit<Call, 'stores'>) => Promise<unknown>): APIRoute =>
  async ({ params, url, request }) => {
    try {
      return answerOf(await useCase({ params, url, request, now: programTime() }));
    } catch (error) {
      return refusal(error);
    }
  };

/** An endpoint that takes a whole file and works on it in a thread; `writes` tells whether anything is to be written. */
export function fileEndpoint<T extends TaskName>(
  task: T,
  inputOf: (file: Uint8Array, url: URL) => TaskRequest<T>['input'],
  { limitBytes, writes = () => true }: { limitBytes: number; writes?: (url: URL) => boolean },
): APIRoute {
  return answering(bytesBody(limitBytes), async (file, { now, url }) => {
    const input = inputOf(file, url);
    const work = (): Promise<unknown> => taskInThread({ task, input, folder: dataFolder(), now });
    if (!writes(url)) return json(await work());
    const answer = json(await writing.byItself(() => forAll(work)));
    announce('changed');
    return answer;
  });
}

type BodyReader<B> = (request: Request) => Promise<B>;
const jsonBody =
  (limitBytes: number): BodyReader<string> =>
  (request) =>
    readBody(request, limitBytes);
const bytesBody =
  (limitBytes: number): BodyReader<Uint8Array> =>
  (request) =>
    readBytes(request, limitBytes);
const noBody = () => Promise.resolve(null);

const answerOf = (result: unknown) => (result instanceof Response ? result : json(result));

/** Reads the body first: one that comes slowly keeps nobody waiting who wants to be alone with the data. */
function answering<B>(read: BodyReader<B>, handle: (body: B, call: Call) => Promise<Response>): APIRoute {
  return async ({ request, params, url }) => {
    try {
      const body = await read(request);
      return await serving.together(async () => {
        // Who waited while the program came to its end has gone, and opens the data no more.
        stopIfGone(request.signal);
        const call = { stores: await services(), params, url, request, now: programTime() };
        const answer = await untilDone(() => forClient(request.signal, () => handle(body, call)), request.signal);
        // A folder that was taken away in the middle has not stored anything.
        checkInPlace((await openedDatabase()).database);
        return answer;
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

/** Turns a refusal into its answer; what went wrong unforeseen is written to the log and not shown. */
function refusal(error: unknown): Response {
  if (error instanceof GivenUpError) return json({ error: error.message }, UNHEARD);
  if (error instanceof InputError) return json({ error: error.message, field: error.field }, 400);
  if (error instanceof NotFoundError) return json({ error: error.message }, 404);
  if (error instanceof ConflictError) return json({ error: error.message }, 409);
  if (error instanceof TooLargeError) return closing(json({ error: error.message }, 413));
  if (error instanceof StalledError) return closing(json({ error: error.message }, 408));
  if (isBusy(error)) return json({ error: 'Something else is being written just now: try again in a moment.' }, 503);
  if (error instanceof UnfitBackupError) return json({ error: error.message }, 400);
  const dataError = asDataError(error, dataFolder());
  if (dataError) return json({ error: dataError.message }, 503);
  process.stderr.write(`${error instanceof Error ? error.stack : String(error)}\n`);
  return json(
    {
      error:
        'Something went wrong on our side, and nothing was changed: try again, and look at the log of the program if it happens again.',
    },
    500,
  );
}
