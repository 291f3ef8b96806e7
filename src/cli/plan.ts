import { InputError } from '../core/kernel/InputError';
import { readLineProblem } from '../core/formats/lineProblem';
import { readOrder } from '../core/line/problem/readOrder';
import { compileLine } from '../core/line/problem/compileLine';
import { LINE_PROBLEM_FORMATS, type LineProblem } from '../core/line/definitions';
import { planOrder } from '../core/line/search/planOrder';
import type { SolveReport } from '../core/line/search/runSolver';
import { readArguments, secondsOf, wholeNumber } from './readArguments';
import { readJsonFile } from './readFiles';

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

function asked() {
  const { values, positionals } = readArguments(process.argv.slice(2), OPTIONS, USAGE);
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
    seconds: values.seconds === undefined ? DEFAULT_SECONDS : secondsOf('--seconds', values.seconds),
  };
}

async function run(): Promise<void> {
  const options = asked();
  const problem = readLineProblem(readJsonFile(options.file));
  const line = compileLine(problem);
  const solved = options.order === undefined ? await search(problem, options) : null;
  const plan = solved ? planOrder(line, solved.order, solved.bound) : planOrder(line, readOrder(problem, readJsonFile(options.order!)));
  if (!plan.fits) {
    throw new InputError(
      'sessions',
      problem.sessions?.length ?? 0,
      `add sessions or make them longer: at least ${Number(plan.missingMinutes.toFixed(6))} minutes are missing`,
    );
  }
  const { fits: _fits, against, legCount, ...earlier } = plan;
  const written = problem.format === LINE_PROBLEM_FORMATS[2] ? { ...earlier, against, legCount } : earlier;
  process.stdout.write(`${JSON.stringify(written, null, 1)}\n`);
}

async function search(problem: LineProblem, { seed, steps, seconds, progress }: ReturnType<typeof asked>): Promise<SolveReport> {
  // Timing an order, or refusing one, needs no threads.
  const { solveInThread } = await import('../server/work/threads');
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
