import { mixed } from 'yup';
import { readCommission, writeCommission, type BenchRun } from '../../core/formats/commission';
import type { Paint, Unit } from '../../core/scheme/definitions';
import { logRowsOf } from '../../core/bench/logRowsOf';
import { ConflictError } from '../errors';
import type { Stores } from '../stores';
import { findCommission } from './loadPicture';

/** The file is read by the format's own reader, so the door only asks for JSON. */
export const anyJson = mixed().defined();

/** A commission with its units, schemes, the paints they use, and everything logged at the bench, as a file. */
export async function exportCommission(stores: Stores, id: string | undefined): Promise<{ name: string; text: string }> {
  const { revision: _revision, createdAt: _createdAt, ...commission } = await findCommission(stores, id);
  const units = (await stores.commissions.units(commission.id)).map(
    ({ commissionId: _commission, schemeRevision: _scheme, ...unit }): Unit => unit,
  );
  const used = usedPaints(units);
  const paints = (await stores.paints.list()).filter((paint) => used.has(paint.id));
  const runs = await Promise.all(
    (await stores.runs.listFor(commission.id)).map(async ({ commissionId: _commission, ...run }): Promise<BenchRun> => ({
      ...run,
      events: await eventsOf(stores, run.id),
    })),
  );
  const line = await stores.ownLines.find(commission.id);
  return { name: commission.name, text: writeCommission({ ...commission, paints: paints.sort(byId), units, runs, ...(line && { line }) }) };
}

const byId = (a: Paint, b: Paint) => (a.id < b.id ? -1 : 1);

async function eventsOf(stores: Stores, runId: string) {
  return (await stores.runs.events(runId)).map(({ seq: _seq, receivedAt: _received, ...event }) => event);
}

const usedPaints = (units: Unit[]) =>
  new Set(
    units.flatMap((unit) => [...unit.scheme.parts.flatMap((part) => part.steps), ...unit.scheme.allOver]).map((step) => step.paintId),
  );

/** Takes a commission file in. Refused when its commission is here already; paints on the shelf stay as they are. */
export async function importCommission(stores: Stores, value: unknown, now: Date): Promise<{ id: string; paintsKept: string[] }> {
  const { format: _format, paints, units, runs, line, ...commission } = readCommission(value);
  if (await stores.commissions.find(commission.id)) {
    throw new ConflictError(
      `"${commission.name}" is here already: open it instead, or give the file, its units, parts, steps and runs other ids.`,
    );
  }
  const taken = await stores.commissions.unitsElsewhere(
    units.map((unit) => unit.id),
    commission.id,
  );
  if (taken.length > 0)
    throw new ConflictError(`The unit ids ${taken.join(', ')} belong to another commission: give the units of the file other ids.`);
  const shelf = new Map((await stores.paints.list()).map((paint) => [paint.id, paint]));
  await stores.paints.addMissing(paints);
  await stores.commissions.insert(commission, now.toISOString());
  await stores.commissions.saveIntake(commission, units, 1);
  for (const unit of units) await stores.commissions.saveScheme(unit.id, unit.scheme, 1);
  if (line) await stores.ownLines.save(commission.id, line);
  for (const { events, ...run } of runs) {
    await stores.runs.start({ ...run, commissionId: commission.id });
    await stores.runs.addEvents(run.id, events, now.toISOString(), (all) => logRowsOf(commission.name, run, all));
  }
  return { id: commission.id, paintsKept: paints.filter((paint) => differs(paint, shelf.get(paint.id))).map((paint) => paint.name) };
}

const differs = (paint: Paint, known: Paint | undefined) =>
  known !== undefined && JSON.stringify({ ...paint }) !== JSON.stringify({ ...known });
