import { object, type InferType } from 'yup';
import type { BenchEvent } from '../../core/bench/definitions';
import { benchEventSchema } from '../../core/formats/commission';
import { list } from '../../core/formats/fields';
import { InputError } from '../../core/formats/InputError';
import type { StoredRun } from '../../core/views/stored';
import { findCommission } from '../commissions/loadPicture';
import { NotFoundError } from '../errors';
import type { Stores } from '../stores';
import { logRowsOf } from '../../core/bench/logRowsOf';

export const recordEventsSchema = object({ events: list(benchEventSchema, 10_000) });

/** Writes bench events down, each once however often it is sent. Answers when they are on the disk. */
export async function recordEvents(
  stores: Stores,
  runId: string | undefined,
  input: InferType<typeof recordEventsSchema>,
  now: Date,
): Promise<{ recorded: string[] }> {
  const run = await stores.runs.find(runId ?? '');
  if (!run) throw new NotFoundError(`There is no run ${runId} at this bench: take the line up again from the Line view.`);
  const commission = await findCommission(stores, run.commissionId);
  const events = input.events as BenchEvent[];
  events.forEach((event, index) => checkEvent(run, event, `events[${index}]`));
  await stores.runs.addEvents(run.id, events, now.toISOString(), (all) => logRowsOf(commission.name, run, all));
  return { recorded: events.map((event) => event.id) };
}

function checkEvent(run: StoredRun, event: BenchEvent, field: string): void {
  const needsModel = ['done', 'missed', 'touched-up'].includes(event.kind);
  const job = run.jobs.find((entry) => entry.id === event.job);
  if (event.job !== null && !job) throw new InputError(`${field}.job`, event.job, 'name a job of this run');
  if ((needsModel || event.kind === 'started') && !job) throw new InputError(`${field}.job`, event.job, 'name the job');
  if (needsModel && !job!.models.includes(event.model ?? 0))
    throw new InputError(`${field}.model`, event.model, 'name a model that the job covers');
  if (event.kind === 'undone' && event.target === null)
    throw new InputError(`${field}.target`, event.target, 'name the event to take back');
}
