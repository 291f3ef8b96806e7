import { MINUTE_MS } from '../../core/kernel/timeUnits';
import { ulid } from 'ulid';
import { object, type InferType } from 'yup';
import type { BenchEvent } from '../../core/bench/definitions';
import { clockAt, foldClock } from '../../core/bench/replay/foldClock';
import { OTHER_WORK } from '../../core/bench/otherWork';
import { wholeEvent } from '../../core/bench/wholeEvent';
import { id, instant, minutes, note, oneOf, parse } from '../../core/formats/fields';
import { InputError } from '../../core/kernel/InputError';
import type { OtherWorkPicture } from '../../contract/otherWork';
import { NotFoundError } from '../stores/errors';
import type { Stores } from '../stores/stores';

/** Enough of the latest taps to know where the clock of painting stands. */
const EVENTS_BEFORE = 300;
const MOST_MINUTES = 10_080;

/** What runs, and what was done for a commission; for all open ones without one. */
export async function loadOtherWork(stores: Stores, commissionId: string | null, now: Date): Promise<OtherWorkPicture> {
  const open = await stores.commissions.listOpen();
  return {
    now: now.getTime(),
    running: await stores.otherWork.running(),
    work: await stores.otherWork.ofCommissions(commissionId === null ? open.map((commission) => commission.id) : [commissionId]),
    commissions: open.map((commission) => ({ id: commission.id, name: commission.name })),
  };
}

export const startOtherSchema = object({
  commissionId: id(),
  kind: oneOf(OTHER_WORK),
  /** Told afterwards; null starts the clock. */
  minutes: minutes().min(0.1).max(MOST_MINUTES).nullable().defined(),
  note: note(),
});

/** Starts the clock of other work, or writes down what was done already. Painting pauses meanwhile. */
export async function startOtherWork(stores: Stores, input: InferType<typeof startOtherSchema>, now: Date): Promise<{ id: string }> {
  if (!(await stores.commissions.find(input.commissionId)))
    throw new InputError('commissionId', input.commissionId, 'name a commission that is in this data folder');
  const work = { ...input, id: ulid(now.getTime()) };
  await stores.allOrNothing(async (within) => {
    if (input.minutes !== null) {
      const startedAt = new Date(now.getTime() - input.minutes * MINUTE_MS).toISOString();
      return within.otherWork.put({ ...work, startedAt, endedAt: now.toISOString() });
    }
    await stopRunning(within, now);
    await within.otherWork.put({ ...work, startedAt: now.toISOString(), endedAt: null });
    const { current, pausedSince } = await paintingClock(within.bench, now);
    if (current !== null && pausedSince === null) await within.bench.add([benchTap('paused', now)], now.toISOString());
  });
  return { id: work.id };
}

/** Stops the clock. */
export const stopOtherWork = (stores: Stores, now: Date): Promise<void> => stores.allOrNothing((within) => stopRunning(within, now));

/** Painting that was paused by it goes on. */
async function stopRunning({ otherWork, bench }: Stores, now: Date): Promise<void> {
  const running = await otherWork.running();
  if (!running) return;
  await otherWork.put({ ...running, endedAt: now.toISOString() });
  const { current, pausedSince } = await paintingClock(bench, now);
  if (current !== null && pausedSince === Date.parse(running.startedAt)) await bench.add([benchTap('resumed', now)], now.toISOString());
}

/** The clock of a commission that is put away stops; painting stays paused, as nobody is at the bench. */
export async function endOtherWorkOf({ otherWork }: Pick<Stores, 'otherWork'>, commissionId: string, now: Date): Promise<void> {
  const running = await otherWork.running();
  if (running?.commissionId === commissionId) await otherWork.put({ ...running, endedAt: now.toISOString() });
}

const paintingClock = async (bench: Stores['bench'], now: Date) =>
  clockAt(foldClock(await bench.latest(EVENTS_BEFORE)).clock, now.getTime());

const benchTap = (kind: BenchEvent['kind'], now: Date): BenchEvent => wholeEvent({ id: ulid(now.getTime()), kind, at: now.toISOString() });

export const saveOtherSchema = object({
  commissionId: id(),
  kind: oneOf(OTHER_WORK),
  startedAt: instant(),
  endedAt: instant().nullable().defined(),
  minutes: minutes().min(0.1).max(MOST_MINUTES).nullable().defined(),
  note: note(),
});

/** Corrects a piece of other work, or brings one back that was removed. */
export async function saveOtherWork(
  stores: Stores,
  workId: string | undefined,
  input: InferType<typeof saveOtherSchema>,
  now: Date,
): Promise<void> {
  const { work } = parse(object({ work: id() }), { work: workId });
  checkTimes(input, now);
  if (!(await stores.commissions.find(input.commissionId)))
    throw new InputError('commissionId', input.commissionId, 'name a commission that is in this data folder');
  const running = await stores.otherWork.running();
  if (input.endedAt === null && running && running.id !== work)
    throw new InputError('endedAt', null, 'stop the clock that runs first, or say when this ended');
  await stores.otherWork.put({ ...input, id: work });
}

/** It begins before it ends, and no later than now. */
function checkTimes({ startedAt, endedAt }: Pick<InferType<typeof saveOtherSchema>, 'startedAt' | 'endedAt'>, now: Date): void {
  if (Date.parse(startedAt) > now.getTime()) throw new InputError('startedAt', startedAt, 'give a time that is past');
  if (endedAt === null) return;
  if (Date.parse(endedAt) < Date.parse(startedAt))
    throw new InputError('endedAt', endedAt, `give a time after ${startedAt}, when it began`);
  if (Date.parse(endedAt) > now.getTime()) throw new InputError('endedAt', endedAt, 'give a time that is past, or none while it goes on');
}

export async function removeOtherWork(stores: Stores, workId: string | undefined): Promise<void> {
  if (!(await stores.otherWork.remove(workId ?? ''))) throw new NotFoundError(`There is no other work ${workId}: reload the page.`);
}
