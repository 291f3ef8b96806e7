import { foldMarks } from '../../core/bench/replay/foldMarks';
import type { Marks } from '../../core/bench/definitions';
import { unitAmounts, type UnitAmounts } from '../../core/paint/amounts';
import type { FilmFactors } from '../../core/paint/films';
import { learnFilms, measuredUse, type Measured } from '../../core/paint/learnFilms';
import { paintUsed } from '../../core/paint/paintUsed';
import { leftNow, type PaintUsed, type PotLevel, type ShelfPaint } from '../../core/paint/shelf';
import { groupBy } from '../../core/kernel/groupBy';
import { isOut, putBack } from '../../core/scheme/authoring/edits';
import { approved, type Scheme } from '../../core/scheme/model/definitions';
import type { RemovedPiece } from '../../core/scheme/model/removedPiece';
import { passesOf } from '../../core/scheme/passes/passes';
import { letOthersInWhenDue } from '../running/inSlices';
import { memoKey } from '../running/Memory';
import type { Stores } from '../stores/stores';
import { workUnit, type Workshop, type WorkUnit } from '../workshop/loadWorkshop';

/** What is in the pots, and what open work will take of them. */
export interface PaintStanding {
  shelf: ShelfPaint[];
  levels: PotLevel[];
  /** Ml in each pot that was read, by the ids of the paints. */
  left: ReadonlyMap<string, number>;
  used: readonly PaintUsed[];
  measured: readonly Measured[];
  factors: FilmFactors;
  /** What is left to paint of each open unit. */
  amounts: ReadonlyMap<string, UnitAmounts>;
}

const STANDING = memoKey<Promise<PaintStanding>>('what is in the pots');

/** Worked out once for as long as nothing is written. */
export const paintStanding = (stores: Stores, workshop: Workshop): Promise<PaintStanding> =>
  workshop.memory.once(STANDING, () => workOut(stores, workshop));

async function workOut(stores: Stores, workshop: Workshop): Promise<PaintStanding> {
  const { house, marks } = workshop;
  const shelf = await stores.paints.shelf();
  const levels = await stores.paints.levels();
  const used: PaintUsed[] = [];
  const usedBy = (unit: WorkUnit, of: Marks) =>
    used.push(...paintUsed(unit, passesOf(unit, unit.standard, house), (passKey) => of.get(passKey)));
  const gone = levels.length > 0 ? await paintedSince(stores, levels[0]!.at, workshop.units) : [];
  const removed = groupBy(
    await stores.commissions.removedPieces([...workshop.units, ...gone.map(({ unit }) => unit)].map(({ id }) => id)),
    ({ unitId }) => unitId,
  );
  // What was painted came out of the pots, also where its step was taken out since.
  const asPainted = (unit: WorkUnit): WorkUnit => ({ ...unit, scheme: withPieces(unit.scheme, removed.get(unit.id) ?? []) });
  for (const unit of workshop.units) usedBy(asPainted(unit), marks.marks);
  for (const { unit, marks: its } of gone) usedBy(asPainted(unit), its);
  const volumes = new Map(shelf.map(({ id, volumeMl }) => [id, volumeMl]));
  const measured = measuredUse(levels, used, volumes);
  const factors = learnFilms(measured);
  const amounts = new Map<string, UnitAmounts>();
  for (const unit of workshop.units) {
    const isDone = (passKey: string, model: number) => marks.marks.get(passKey)?.has(model) ?? false;
    amounts.set(unit.id, unitAmounts(approved(unit), unit.standard, house, isDone, factors));
    await letOthersInWhenDue();
  }
  return { shelf, levels, left: withoutSpoilt(leftNow(levels, used, factors), shelf), used, measured, factors, amounts };
}

const withPieces = (scheme: Scheme, removed: readonly RemovedPiece[]): Scheme =>
  removed.reduce((all, { piece }) => (isOut(all, piece) ? putBack(all, piece) : all), scheme);

/** What is spoilt is as good as gone. */
const withoutSpoilt = (left: Map<string, number>, shelf: readonly ShelfPaint[]): Map<string, number> =>
  new Map([...left, ...shelf.filter(({ spoilt }) => spoilt).map(({ id }): [string, number] => [id, 0])]);

/** Units that are not open any more, and were painted after a moment: that came out of the same pots. */
async function paintedSince(stores: Stores, moment: string, open: readonly WorkUnit[]): Promise<{ unit: WorkUnit; marks: Marks }[]> {
  const isOpen = new Set(open.map(({ id }) => id));
  const ids = (await stores.bench.unitsPaintedSince(moment)).filter((id) => !isOpen.has(id));
  const events = groupBy(await stores.bench.ofUnits(ids), (event) => event.unit!);
  return (await stores.commissions.everyUnit(ids)).map(({ unit, commission }) => ({
    unit: workUnit(unit, commission),
    marks: foldMarks(events.get(unit.id) ?? []).marks,
  }));
}
