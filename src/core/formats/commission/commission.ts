import { object, type InferType } from 'yup';
import type { BenchEvent } from '../../bench/definitions';
import type { OwnLine } from '../../line/hand/carryOver';
import type { Commission } from '../../commission/definitions';
import type { Paint, Unit } from '../../scheme/model/definitions';
import { ROW_VERDICTS, type KeptJudgement } from '../../log/definitions';
import { benchEventSchema, checkBenchEvent, compactEvent, eventOf } from './benchEvents';
import { benchRunSchema, checkRun, eventsOfRun, type BenchRun } from './benchRuns';
import { commissionFields, paintSchema, unitFields } from '../scheme/commissionSchemas';
import { schemeAsToday, unitsAsToday } from '../scheme/earlierSchemes';
import { schemeOf, schemeSchema } from '../scheme/schemeSchemas';
import { filedRecord, recordOf, recordSchema, type CommissionRecord } from './commissionRecord';
import { aroundUnit, checkScheme } from '../scheme/checkScheme';
import { checkUnits } from './checkUnits';
import { count, id, instant, list, minutes, oneOf, parse, requiredText } from '../fields';
import { InputError } from '../../kernel/InputError';
import { lineWishes } from '../lineProblem';
import { checkWorkSize } from '../scheme/workSize';

export const COMMISSION_FORMAT = 'neat-relay/commission@3';
const SECOND_FORMAT = 'neat-relay/commission@2';
const FIRST_FORMAT = 'neat-relay/commission@1';

/** The painter's word on a row of the time log that comes from the bench. */
export interface JudgedRowId extends KeptJudgement {
  id: string;
}

export interface CommissionFile extends Commission {
  format: typeof COMMISSION_FORMAT;
  /** Handed over and put away; null while it is open. */
  closedAt: string | null;
  paints: Paint[];
  units: Unit[];
  /** Id of the bench that the events are of, where they do not say so themselves; left out without events. */
  bench?: string;
  /** Everything that was tapped at the bench for it, and the bare times of what was done in between. */
  events: BenchEvent[];
  judgements: JudgedRowId[];
  /** The painter's own order of what is left, when there is one. */
  line?: OwnLine;
  /** What was agreed, sent, answered and shown; left out where there is nothing. */
  record?: CommissionRecord;
}

/** The painter's own order with its wishes; jobs and trays by the ids of the line problem. */
export const ownLine = () => object({ order: list(requiredText('a job id'), 100_000), wishes: lineWishes() });

const common = {
  format: oneOf([COMMISSION_FORMAT, SECOND_FORMAT, FIRST_FORMAT] as const),
  id: id(),
  ...commissionFields,
  paints: list(paintSchema),
  units: list(object({ ...unitFields, scheme: schemeSchema.required() }), 500),
  line: ownLine().default(undefined),
  record: recordSchema.optional().default(undefined),
};

const schema = object({
  ...common,
  closedAt: instant().nullable().notRequired().defined(),
  bench: id().optional().default(undefined),
  events: list(benchEventSchema, 1_000_000),
  judgements: list(
    object({
      id: id(),
      verdict: oneOf(ROW_VERDICTS),
      correctedMinutes: minutes().nullable().defined(),
      // Files of earlier versions do not say what a correction was of.
      ofModels: count(1).nullable().notRequired().default(null),
      ofMinutes: minutes().nullable().notRequired().default(null),
    }),
    1_000_000,
  ),
});
const firstSchema = object({ ...common, runs: list(benchRunSchema, 10_000) });

/** Reads a commission file of this or an earlier version; throws an `InputError` naming the first field that cannot be taken. */
export function readCommission(value: unknown): CommissionFile {
  refuseNewerFormat(value);
  const given = typeof value === 'object' && value !== null && 'units' in value ? { ...value, units: unitsAsToday(value.units) } : value;
  const file = isFirst(given) ? fromFirst(parse(firstSchema, given)) : asFile(parse(schema, given));
  checkReferences(file);
  return file;
}

/** A file of a later version is named as that, whatever it holds. */
function refuseNewerFormat(value: unknown): void {
  const format = typeof value === 'object' && value !== null && 'format' in value ? value.format : undefined;
  const version = typeof format === 'string' ? /^neat-relay\/commission@(\d+)$/.exec(format)?.[1] : undefined;
  if (version !== undefined && Number(version) > Number(COMMISSION_FORMAT.split('@')[1]))
    throw new InputError('format', format, `open it with the newer Neat Relay that wrote it: this one reads up to ${COMMISSION_FORMAT}`);
}

const isFirst = (value: unknown): boolean =>
  typeof value === 'object' && value !== null && 'format' in value && value.format === FIRST_FORMAT;

const asFile = (parsed: InferType<typeof schema>): CommissionFile =>
  ({
    ...parsed,
    format: COMMISSION_FORMAT,
    units: parsed.format === COMMISSION_FORMAT ? unitsOf(parsed.units) : earlierUnitsOf(parsed.units),
    events: parsed.events.map(eventOf),
    ...withRecord(parsed),
  }) as CommissionFile;

const withRecord = ({ record }: { record?: InferType<typeof recordSchema> | undefined }) => (record ? { record: recordOf(record) } : {});

/** Those of a file that did not say of every ground that it is one. */
const earlierUnitsOf = (parsed: InferType<typeof schema>['units']): Unit[] =>
  unitsOf(parsed).map((unit) => ({ ...unit, scheme: schemeAsToday(unit.scheme) }));

const unitsOf = (parsed: InferType<typeof schema>['units']): Unit[] =>
  parsed.map((unit) => ({ ...unit, scheme: schemeOf(unit.scheme) }) as Unit);

function fromFirst({ runs, ...parsed }: InferType<typeof firstSchema>): CommissionFile {
  const paints = new Map(parsed.paints.map((paint) => [paint.id, paint.name]));
  const names = { commissionId: parsed.id, commission: parsed.name, paint: (paintId: string) => paints.get(paintId) ?? null };
  (runs as BenchRun[]).forEach((run, index) => checkRun(run, `runs[${index}]`));
  const events = (runs as BenchRun[]).flatMap((run) => eventsOfRun(run, names));
  return {
    ...parsed,
    format: COMMISSION_FORMAT,
    closedAt: null,
    units: earlierUnitsOf(parsed.units),
    events,
    judgements: [],
  } as CommissionFile;
}

function checkReferences(file: CommissionFile): void {
  checkUnits(file.units);
  checkWorkSize(file.units);
  const paints = new Set<string>();
  file.paints.forEach((paint, index) => {
    if (paints.has(paint.id)) throw new InputError(`paints[${index}].id`, paint.id, 'list every paint once');
    paints.add(paint.id);
  });
  const removed = file.record?.removedUnits ?? [];
  const taken = new Set(file.units.map((unit) => unit.id));
  const check = (unit: Unit, field: string) =>
    checkScheme(unit.scheme, aroundUnit(unit, { field: `${field}.scheme.`, taken, isPaint: (id) => paints.has(id) }));
  file.units.forEach((unit, index) => check(unit, `units[${index}]`));
  removed.forEach((unit, index) => {
    const field = `record.removedUnits[${index}]`;
    if (taken.has(unit.id)) throw new InputError(`${field}.id`, unit.id, 'give every unit an id of its own');
    taken.add(unit.id);
    check(unit, field);
  });
  const known = knownUnits(file);
  checkEvents(file, taken, known);
  if (file.record) checkRecord(file.record, known);
}

/** The units of the file, those taken out at Intake among them, whether the file has them or only the facts of its events tell of them. */
const knownUnits = ({ id, units, events, record }: CommissionFile): Set<string> =>
  new Set([
    ...units.map((unit) => unit.id),
    ...(record?.removedUnits ?? []).map((unit) => unit.id),
    ...events.flatMap(({ unit, facts }) => (unit !== null && facts?.commissionId === id ? [unit] : [])),
  ]);

/** What is kept of units is of units of the file. */
function checkRecord(record: CommissionRecord, known: ReadonlySet<string>): void {
  const kept: Record<string, readonly { unitId: string | null }[]> = {
    testRounds: record.testRounds,
    revisions: record.revisions,
    pictures: record.pictures,
    removedPieces: record.removedPieces,
  };
  for (const [field, rows] of Object.entries(kept))
    rows.forEach(({ unitId }, index) => {
      if (unitId !== null && !known.has(unitId))
        throw new InputError(`record.${field}[${index}].unitId`, unitId, 'name a unit of the file');
    });
}

function checkEvents({ events, judgements }: CommissionFile, taken: ReadonlySet<string>, known: ReadonlySet<string>): void {
  const ids = new Set<string>();
  events.forEach((event, index) => {
    const field = `events[${index}]`;
    checkBenchEvent(event, field);
    if (ids.has(event.id) || taken.has(event.id)) throw new InputError(`${field}.id`, event.id, 'give every event an id of its own');
    ids.add(event.id);
    if (event.unit !== null && !known.has(event.unit)) throw new InputError(`${field}.unit`, event.unit, 'name a unit of the file');
  });
  judgements.forEach((row, index) => {
    if (!ids.has(row.id.replace(/-open$/, '')))
      throw new InputError(`judgements[${index}].id`, row.id, 'name a row that an event of the file begins');
  });
}

const FIELDS = [
  'id',
  ...Object.keys(commissionFields),
  'closedAt',
  'paints',
  'units',
  'bench',
  'events',
  'judgements',
  'line',
  'record',
] as const;

/** Writes a commission, its fields always in the same order; reading it again and writing that gives the same text. */
export function writeCommission(file: Omit<CommissionFile, 'format'>): string {
  const written: Record<string, unknown> = {
    ...file,
    events: file.events.map(compactEvent),
    record: file.record && filedRecord(file.record),
  };
  const fields = FIELDS.flatMap((field) => (written[field] === undefined ? [] : [[field, written[field]] as const]));
  return `${JSON.stringify({ format: COMMISSION_FORMAT, ...Object.fromEntries(fields) }, null, 2)}\n`;
}
