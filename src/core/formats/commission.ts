import { array, mixed, object } from 'yup';
import { BENCH_EVENT_KINDS, type BenchEvent } from '../bench/definitions';
import type { OwnLine } from '../line/carryOver';
import type { LineProblem } from '../line/definitions';
import { SIZES, TECHNIQUES, type Commission, type Paint, type Unit } from '../scheme/definitions';
import type { JobInfo } from '../scheme/buildLine';
import { commissionFields, paintSchema, schemeSchema, unitFields } from './commissionSchemas';
import { count, id, instant, list, literal, minutes, note, oneOf, parse, requiredText } from './fields';
import { InputError } from './InputError';
import { lineWishes, readLineProblem } from './lineProblem';

export const COMMISSION_FORMAT = 'neat-relay/commission@1';

/** A line taken to the bench and everything that was tapped there. */
export interface BenchRun {
  id: string;
  startedAt: string;
  closedAt: string | null;
  /** The jobs in the order planned. */
  jobs: JobInfo[];
  problem: LineProblem;
  events: BenchEvent[];
}

export interface CommissionFile extends Commission {
  format: typeof COMMISSION_FORMAT;
  paints: Paint[];
  units: Unit[];
  runs: BenchRun[];
  /** The painter's own order of what is left, when there is one. */
  line?: OwnLine;
}

/** One event as the bench sends it. */
export const benchEventSchema = object({
  id: id(),
  kind: mixed<BenchEvent['kind']>()
    .required()
    .oneOf([...BENCH_EVENT_KINDS]),
  at: instant(),
  job: id().nullable().notRequired().defined(),
  model: count(1).nullable().notRequired().defined(),
  target: id().nullable().notRequired().defined(),
  note: note(),
});

const name = () => requiredText('a name');
const models = () => array(count(1)).strict().required();

const runJob = object({
  id: id(),
  passKey: id(),
  unitId: id(),
  unitName: name(),
  size: oneOf(SIZES),
  trayId: name(),
  partName: name().nullable().notRequired().defined(),
  technique: oneOf(TECHNIQUES),
  paintId: id().nullable().notRequired().defined(),
  setupId: name(),
  coat: count(1),
  coats: count(1),
  coverage: minutes(),
  models: models(),
  minutes: array(minutes()).strict().required(),
  dryMinutes: minutes(),
});

/** The painter's own order with its wishes; jobs and trays by the ids of the line problem. */
export const ownLine = () => object({ order: list(requiredText('a job id'), 100_000), wishes: lineWishes() });

const schema = object({
  format: literal(COMMISSION_FORMAT),
  id: id(),
  ...commissionFields,
  paints: list(paintSchema),
  units: list(object({ ...unitFields, scheme: schemeSchema.required() }), 500),
  runs: list(
    object({
      id: id(),
      startedAt: instant(),
      closedAt: instant().nullable().notRequired().defined(),
      jobs: list(runJob),
      problem: mixed().required(),
      events: list(benchEventSchema, 1_000_000),
    }),
    10_000,
  ),
  line: ownLine().default(undefined),
});

/** Reads a commission file; throws an `InputError` naming the first field that cannot be taken. */
export function readCommission(value: unknown): CommissionFile {
  const file = parse(schema, value) as CommissionFile;
  checkReferences(file);
  file.runs.forEach((run) => readLineProblem(run.problem));
  return file;
}

function checkReferences(file: CommissionFile): void {
  const paints = new Set(file.paints.map((paint) => paint.id));
  const seen = new Set<string>();
  const own = (field: string, value: string) => {
    if (seen.has(value)) throw new InputError(field, value, 'give every entry an id of its own');
    seen.add(value);
  };
  file.units.forEach((unit, u) => {
    own(`units[${u}].id`, unit.id);
    const strips = [
      ...unit.scheme.parts.map((part, p) => ({ steps: part.steps, at: `parts[${p}].steps` })),
      { steps: unit.scheme.allOver, at: 'allOver' },
    ];
    unit.scheme.parts.forEach((part, p) => own(`units[${u}].scheme.parts[${p}].id`, part.id));
    for (const { steps, at } of strips) {
      steps.forEach((step, s) => {
        const field = `units[${u}].scheme.${at}[${s}]`;
        own(`${field}.id`, step.id);
        if (step.paintId !== null && !paints.has(step.paintId))
          throw new InputError(`${field}.paintId`, step.paintId, 'name a paint that the file lists');
      });
    }
  });
}

/** Writes a commission; reading it again and writing that gives the same text. */
export function writeCommission(file: Omit<CommissionFile, 'format'>): string {
  return `${JSON.stringify({ format: COMMISSION_FORMAT, ...file }, null, 2)}\n`;
}
