import type { BenchEvent } from '../../core/bench/definitions';
import { pieceIds } from '../../core/formats/scheme/checkScheme';
import { readCommission, type CommissionFile } from '../../core/formats/commission/commission';
import type { Paint, Unit } from '../../core/scheme/model/definitions';
import { wholeCommission } from '../../core/plan/selection';
import { refuseOtherEvents } from '../bench/refuseOtherEvents';
import type { ImportedCommission } from '../../contract/importedCommission';
import { encodeRecord, writeRecord } from './commissionRecord';
import { ConflictError } from '../stores/errors';
import type { Stores } from '../stores/stores';

/**
 * Takes a commission file in, all or nothing. Refused when its commission, or anything of it, is here already; paints on the shelf
 * stay as they are.
 */
export async function importCommission(stores: Stores, value: unknown, now: Date): Promise<ImportedCommission> {
  const file = readCommission(value);
  const encoded = file.record ? await encodeRecord(file.record) : [];
  return stores.allOrNothing(async (within) => {
    await refuseKnown(within, file);
    const taken = await takeIn(within, file, now);
    if (file.record) await writeRecord(within, file.id, file.record, encoded);
    if (file.closedAt !== null) await within.commissions.setClosed(file.id, file.closedAt, file.record?.undone);
    return taken;
  });
}

/** Those taken out at Intake too. */
const allUnits = ({ units, record }: CommissionFile): Unit[] => [...units, ...(record?.removedUnits ?? [])];

async function refuseKnown({ commissions }: Stores, file: CommissionFile): Promise<void> {
  const { id, name } = file;
  const units = allUnits(file);
  if (await commissions.find(id))
    throw new ConflictError(`"${name}" is here already: open it instead, or give the file, its units, parts and steps other ids.`);
  const unitIds = units.map((unit) => unit.id);
  const taken = await commissions.unitsElsewhere(unitIds, id);
  if (taken.length > 0)
    throw new ConflictError(`The unit ids ${few(taken)} belong to another commission: give the units of the file other ids.`);
  const pieces = await commissions.piecesElsewhere(
    units.flatMap((unit) => pieceIds(unit.scheme)),
    unitIds,
  );
  if (pieces.length > 0)
    throw new ConflictError(`The ids ${few(pieces)} belong to parts or steps of another unit: give those of the file other ids.`);
}

const MOST_NAMED = 5;
const few = (ids: readonly string[]): string =>
  ids.length > MOST_NAMED ? `${ids.slice(0, MOST_NAMED).join(', ')} and ${ids.length - MOST_NAMED} more` : ids.join(', ');

async function takeIn(stores: Stores, file: CommissionFile, now: Date): Promise<ImportedCommission> {
  const { format: _format, paints, units, bench, events, judgements, line, record: _record, closedAt, ...commission } = file;
  const shelf = new Map((await stores.paints.list()).map((paint) => [paint.id, paint]));
  await stores.paints.addMissing(paints);
  await stores.commissions.insert(commission, now.toISOString(), closedAt);
  const all = allUnits(file);
  await stores.commissions.saveIntake(commission, all, 1);
  if (all.length > units.length) await stores.commissions.saveIntake(commission, units, 2);
  for (const unit of all) await stores.commissions.saveScheme(unit.id, unit.scheme, 1, now.toISOString());
  const selection = wholeCommission(commission.id);
  if (line) await stores.workshop.saveOwnLine(selection, line, await stores.workshop.ownLineRevision(selection));
  await stores.timeLog.saveJudgements(judgements);
  const here = await stores.workshop.benchId();
  const from = (event: BenchEvent) => event.bench ?? bench ?? here;
  const taken = events.map((event) => ({ ...event, bench: from(event) === here ? null : from(event) }));
  await refuseOtherEvents(stores, taken);
  await stores.bench.add(taken, now.toISOString());
  return {
    id: commission.id,
    paintsKept: paints.filter((paint) => differs(paint, shelf.get(paint.id))).map((paint) => paint.name),
    doubles: closedAt === null ? doublesOf(paints, shelf) : [],
  };
}

/** Paints that are new by their id, and are on the shelf under another by all that is seen of them. */
function doublesOf(paints: readonly Paint[], shelf: ReadonlyMap<string, Paint>): ImportedCommission['doubles'] {
  const keyOf = ({ name, hex, kind }: Paint) => `${name.trim().toLowerCase()} ${hex} ${kind}`;
  const known = new Map([...shelf.values()].map((paint) => [keyOf(paint), paint.id]));
  return paints.flatMap((paint) => {
    const keep = shelf.has(paint.id) ? undefined : known.get(keyOf(paint));
    return keep === undefined ? [] : [{ name: paint.name, keep, replace: paint.id }];
  });
}

const differs = (paint: Paint, known: Paint | undefined) =>
  known !== undefined && JSON.stringify({ ...paint }) !== JSON.stringify({ ...known });
