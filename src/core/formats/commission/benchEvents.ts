import { array, object, type InferType } from 'yup';
import type { CompactEvent } from '../../bench/wholeEvent';
import { BENCH_EVENT_KINDS, LOOKS, type BenchEvent, type BenchEventKind, type WorkFacts } from '../../bench/definitions';
import { SIZES } from '../../scheme/model/definitions';
import { TECHNIQUES } from '../../scheme/model/techniques';
import { atLeast, count, id, instant, minutes, oneOf, requiredText, share, text } from '../fields';
import { factorsFromEarlier } from '../scheme/earlierSchemes';
import { InputError } from '../../kernel/InputError';
import { isOneOf } from '../../kernel/isOneOf';

const MOST_MODELS = 1000;
/** A month: nothing is planned or drying for longer, and sums of it stay exact. */
const longTime = () => minutes().max(50_000);

const workFacts = object({
  commissionId: id(),
  commission: requiredText('the name of the commission'),
  unit: requiredText('the name of the unit'),
  part: text('the name of the part').defined(),
  technique: oneOf(TECHNIQUES),
  own: object({ name: requiredText('the name of the technique', 60) })
    .optional()
    .default(undefined),
  brush: text('a brush', 60).optional().default(undefined),
  paintId: id().nullable().notRequired().default(null),
  paint: text('the name of the paint').nullable().default(null),
  size: oneOf(SIZES),
  coverage: share(),
  dryMinutes: longTime(),
  handleMinutes: longTime(),
  minutes: longTime(),
  effort: atLeast(0.01, 'a factor from 0.01 to 1000').max(1000).default(1),
  factors: array(
    object({
      models: array(count(1, MOST_MODELS)).strict().max(MOST_MODELS).required(),
      factor: atLeast(0.1, 'a factor from 0.1 to 20').max(20),
    }),
  )
    .strict()
    .max(MOST_MODELS)
    .default(undefined),
  like: id().nullable().notRequired().default(null),
  // As earlier versions told it: the first so many models, each counted so often.
  leaders: count(0, MOST_MODELS).notRequired().default(undefined),
  leaderFactor: atLeast(1, 'a factor from 1 to 20').max(20).notRequired().default(undefined),
});

/** One event as the bench sends it; fields that a kind does not need may be left out. */
export const benchEventSchema = object({
  bench: id().nullable().notRequired().default(null),
  id: id(),
  kind: oneOf(BENCH_EVENT_KINDS),
  at: instant(),
  unit: id().nullable().notRequired().default(null),
  step: id().nullable().notRequired().default(null),
  coat: count(1, 10).nullable().notRequired().default(null),
  models: array(count(1, MOST_MODELS)).strict().max(MOST_MODELS).default([]),
  target: id().nullable().notRequired().default(null),
  minutes: longTime().nullable().notRequired().default(null),
  readyAt: instant().nullable().notRequired().default(null),
  fetchMinutes: longTime().nullable().notRequired().default(null),
  facts: workFacts.nullable().default(null),
  note: text('a note', 4000).default(''),
});

export const eventOf = ({ facts, ...event }: InferType<typeof benchEventSchema>): BenchEvent =>
  ({ ...event, facts: facts && factsAsToday(facts) }) as BenchEvent;

/** Facts as they are written today, whatever version wrote them. */
export function factsAsToday<F extends object>({
  leaders,
  leaderFactor,
  ...facts
}: F & { leaders?: unknown; leaderFactor?: unknown }): WorkFacts {
  const told = facts as unknown as Partial<WorkFacts>;
  return {
    ...told,
    effort: told.effort ?? 1,
    like: told.like ?? null,
    factors: told.factors ?? factorsFromEarlier({ leaders, leaderFactor }),
  } as WorkFacts;
}

const OF_A_PASS: readonly BenchEventKind[] = [
  'started',
  'done',
  'missed',
  'touched-up',
  'reopened',
  'kept',
  'left-out',
  'looked',
  'put-off',
  'mix-kept',
];
const OF_MODELS: readonly BenchEventKind[] = [
  'done',
  'missed',
  'touched-up',
  'reopened',
  'kept',
  'left-out',
  'looked',
  'picked',
  'set-aside',
  'brought-back',
  'inspected',
];
const OF_A_UNIT: readonly BenchEventKind[] = [...OF_A_PASS, 'picked', 'set-aside', 'brought-back', 'inspected'];

/** Does an event say all that its kind needs? Throws an `InputError` otherwise. */
export function checkBenchEvent(event: BenchEvent, field: string): void {
  if (OF_A_UNIT.includes(event.kind) && event.unit === null) throw new InputError(`${field}.unit`, event.unit, 'name the unit');
  if (OF_A_PASS.includes(event.kind) && (event.step === null || event.coat === null))
    throw new InputError(`${field}.step`, event.step, 'name the step and its coat');
  if (OF_MODELS.includes(event.kind) && event.models.length === 0)
    throw new InputError(`${field}.models`, event.models, 'name the models, from 1');
  if (event.kind === 'mix-kept' && !event.facts?.paintId)
    throw new InputError(`${field}.facts`, event.facts?.paintId ?? null, 'name the mix in facts.paintId');
  if (event.kind === 'inspected' && !isOneOf(event.note, ...LOOKS))
    throw new InputError(`${field}.note`, event.note, `say which look it was: ${LOOKS.join(', ')}`);
  if (event.kind === 'undone' && event.target === null) throw new InputError(`${field}.target`, event.target, 'name the event to undo');
}

const FIELDS = [
  'id',
  'kind',
  'at',
  'bench',
  'unit',
  'step',
  'coat',
  'models',
  'target',
  'minutes',
  'readyAt',
  'fetchMinutes',
  'facts',
  'note',
] as const;
const EARLIER = ['leaders', 'leaderFactor'];
const FACTS = Object.keys(workFacts.fields).filter((field) => !EARLIER.includes(field)) as (keyof WorkFacts)[];

/** Leaves out what says nothing; what is left stands always in the same order. */
export function compactEvent(event: BenchEvent): CompactEvent {
  const facts = event.facts && (Object.fromEntries(FACTS.map((field) => [field, event.facts![field]])) as unknown as WorkFacts);
  const ordered = { ...event, facts };
  return Object.fromEntries(
    FIELDS.map((field) => [field, ordered[field]] as const).filter(
      ([, value]) => value !== null && value !== '' && !(Array.isArray(value) && value.length === 0),
    ),
  ) as CompactEvent;
}
