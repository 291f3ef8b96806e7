import { parseArgs } from 'node:util';
import { InputError } from '../core/formats/InputError';
import { readLineProblem, readOrder } from '../core/formats/lineProblem';
import { compileLine } from '../core/line/problem/compileLine';
import type { LineProblem } from '../core/line/definitions';
import { planOrder } from '../core/line/search/planOrder';
import type { SolveReport } from '../core/line/search/runSolver';
import { solveInThread } from '../server/threads/threads';
import { readJsonFile } from './readJsonFile';

const USAGE = 'npm run --silent plan -- FILE [--seconds S | --steps N] [--seed N] [--order ORDER.json] [--progress]';
const DEFAULT_SECONDS = 5;
/** A plan needs some time, whatever is left. */
const LEAST_MS = 300;

const OPTIONS = {
  seconds: { type: 'string' },
  steps: { type: 'string' },
  seed: { type: 'string', default: '1' },
  order: { type: 'string' },
  progress: { type: 'boolean', default: false },
} as const;

function parsedArguments() {
  try {
    return parseArgs({ allowPositionals: true, options: OPTIONS });
  } catch (error) {
    const [problem = ''] = (error as Error).message.split(/\. |\n/);
    throw new Error(`${problem}: start it as ${USAGE}`, { cause: error });
  }
}

function readArguments() {
  const { values, positionals } = parsedArguments();
  const file = positionals[0];
  if (file === undefined || positionals.length > 1) throw new InputError('FILE', positionals, `give one file: ${USAGE}`);
  if (values.seconds !== undefined && values.steps !== undefined)
    throw new InputError('--seconds', values.seconds, 'give either --seconds or --steps');
  return {
    file,
    order: values.order,
    progress: values.progress,
    seed: wholeNumber('--seed', values.seed),
    steps: values.steps === undefined ? null : wholeNumber('--steps', values.steps),
    seconds: values.seconds === undefined ? DEFAULT_SECONDS : positive('--seconds', values.seconds),
  };
}

function wholeNumber(option: string, given: string): number {
  const value = Number(given);
  if (!Number.isSafeInteger(value) || value < 0) throw new InputError(option, given, 'give a whole number that is 0 or more');
  return value;
}

function positive(option: string, given: string): number {
  const value = Number(given);
  if (!Number.isFinite(value) || value <= 0) throw new InputError(option, given, 'give a number of seconds above 0');
  return value;
}

async function run(): Promise<void> {
  const options = readArguments();
  const problem = readLineProblem(readJsonFile(options.file));
  const line = compileLine(problem);
  const solved = options.order === undefined ? await search(problem, options) : null;
  const plan = solved ? planOrder(line, solved.order, solved.bound) : planOrder(line, readOrder(problem, readJsonFile(options.order!)));
  if ('missingMinutes' in plan) {
    throw new InputError(
      'sessions',
      problem.sessions?.length ?? 0,
      `add sessions or make them longer: at least ${Number(plan.missingMinutes.toFixed(6))} minutes are missing`,
    );
  }
  process.stdout.write(`${JSON.stringify(plan, null, 1)}\n`);
}

function search(problem: LineProblem, { seed, steps, seconds, progress }: ReturnType<typeof readArguments>): Promise<SolveReport> {
  // The seconds are those of the whole command: reading a long problem takes some of them.
  const left = Math.max(LEAST_MS, seconds * 1000 - performance.now());
  const request = { problem, seed, steps, milliseconds: steps === null ? left : null };
  return solveInThread(request, (report) => progress && process.stderr.write(progressLine(report)));
}

const progressLine = ({ steps, cost, bound, milliseconds }: SolveReport) =>
  `step ${steps}: ${cost.toFixed(3)} min, at least ${bound.toFixed(3)} min, ${Math.round((1000 * steps) / Math.max(1, milliseconds))} steps/s\n`;

try {
  await run();
} catch (error) {
  process.stderr.write(`${(error as Error).message.replaceAll('\n', ' ')}\n`);
  process.exitCode = 1;
}
