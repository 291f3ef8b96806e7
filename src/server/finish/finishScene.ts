import { foldMarks, marksOn } from '../../core/bench/replay/foldMarks';
import type { BenchMarks } from '../../core/bench/definitions';
import { readCoatKey } from '../../core/kernel/ids';
import { allSteps } from '../../core/scheme/model/allSteps';
import { halfOfId } from '../../core/scheme/model/halves';
import type { StoredCommission } from '../../core/commission/definitions';
import { passesOf } from '../../core/scheme/passes/passes';
import type { Stores } from '../stores/stores';
import { findPriced } from '../money/loadMoney';
import type { Workshop, WorkUnit } from '../workshop/loadWorkshop';

export interface FinishScene {
  workshop: Workshop;
  commission: StoredCommission;
  units: WorkUnit[];
  marks: BenchMarks;
}

/** A commission at its end, open or delivered, with what stands on its models. */
export async function finishScene(stores: Stores, id: string | undefined, now: Date): Promise<FinishScene> {
  const found = await findPriced(stores, id, now);
  const { workshop, commission, units } = found;
  if (commission.closedAt === null) return { ...found, marks: marksOfUnits(workshop.marks, units) };
  const folded = foldMarks(await stores.bench.ofUnits(units.map((unit) => unit.id)));
  const keys = units.flatMap((unit) => passesOf(unit, unit.standard, workshop.house).map(({ key }) => key));
  return { ...found, marks: marksOn(keys, folded) };
}

/** Of all that is open, what stands on these. */
function marksOfUnits(all: BenchMarks, units: readonly WorkUnit[]): BenchMarks {
  const ids = new Set(units.map(({ id }) => id));
  const own = new Set(units.flatMap(({ scheme }) => allSteps(scheme)).map((step) => step.id));
  const isOwn = (key: string) => own.has(stepOf(key));
  const ofUnits = <V>(map: ReadonlyMap<string, V>) => new Map([...map].filter(([unit]) => ids.has(unit)));
  return {
    marks: new Map([...all.marks].filter(([key]) => isOwn(key))),
    aside: ofUnits(all.aside),
    notes: all.notes.filter(({ unit }) => unit !== null && ids.has(unit)),
    trouble: all.trouble.filter(({ unit }) => ids.has(unit)),
    looked: new Map([...all.looked].filter(([key]) => isOwn(key))),
    putOff: new Map([...all.putOff].filter(([key]) => isOwn(key))),
    keptMixes: ofUnits(all.keptMixes),
    inspected: ofUnits(all.inspected),
  };
}

const stepOf = (key: string): string => halfOfId(readCoatKey(key).step).stepId;
