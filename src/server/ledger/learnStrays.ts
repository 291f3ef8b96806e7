import { paintedPlaces, type PaintedPlaces } from '../../core/bench/replay/paintedPlaces';
import type { StoredCommission, StoredUnit } from '../../core/commission/definitions';
import { groupBy } from '../../core/kernel/groupBy';
import { readCoatKey } from '../../core/kernel/ids';
import { minutesThatCount, type StoredLogRow } from '../../core/log/definitions';
import { halfOfId } from '../../core/scheme/model/halves';
import type { HouseRules } from '../../core/scheme/model/houseRules';
import { withPots, type Pot } from '../../core/scheme/model/pots';
import { passesOf, type Pass } from '../../core/scheme/passes/passes';
import { rulesWork } from '../../core/scheme/rules/rulesWork';
import { strayPairs } from '../../core/scheme/rules/strays';
import { normMinutes, normOfPass } from '../../core/time/fit/norms';
import { strayFactors, tallyStrays, type PaintedUnit, type StrayEstimates } from '../../core/time/learn/strayFactors';
import { letOthersIn } from '../running/inSlices';
import type { Stores } from '../stores/stores';

export type StrayStores = Pick<Stores, 'commissions' | 'bench' | 'paints' | 'houseRules'>;

/** How far each technique strays with this painter, from all touch-ups logged up to a moment (UTC ms). */
export async function learnStrays(stores: StrayStores, log: readonly StoredLogRow[], until: number): Promise<StrayEstimates> {
  const commissions = [...(await stores.commissions.listOpen()), ...(await stores.commissions.listClosed())];
  const units = await stores.commissions.unitsOf(commissions.map(({ id }) => id));
  const repaired = await stores.bench.unitsTouchedUp();
  // Who never logs a touch-up has said nothing of them.
  if (repaired.length === 0) return {};
  const house = await stores.houseRules.load();
  const paints = new Map((await stores.paints.list()).map((paint) => [paint.id, paint]));
  const rows = groupBy(
    log.filter(({ unitId, stepId, verdict }) => unitId !== null && stepId !== null && verdict !== 'left out'),
    ({ unitId }) => unitId!,
  );
  const painted: PaintedUnit[] = [];
  for (const unit of units) {
    const commission = commissions.find(({ id }) => id === unit.commissionId)!;
    const events = (await stores.bench.ofUnits([unit.id])).filter((event) => Date.parse(event.at) <= until);
    if (events.length > 0)
      painted.push(paintedUnit(unit, commission, paintedPlaces(events), { house, paints, rows: rows.get(unit.id) ?? [] }));
    await letOthersIn();
  }
  return strayFactors(tallyStrays(painted));
}

interface Around {
  house: HouseRules;
  paints: ReadonlyMap<string, Pot>;
  /** Of the log, those of the unit. */
  rows: readonly StoredLogRow[];
}

/** What was painted in a unit, what mars what in it, and what its work takes: as logged, else the norm. */
function paintedUnit(
  unit: StoredUnit,
  { standard, closedAt }: StoredCommission,
  { painted, repairs }: PaintedPlaces,
  { house, paints, rows }: Around,
): PaintedUnit {
  const passes = passesOf(unit, standard, house);
  const norms = new Map(passes.map((pass) => [pass.key, { paint: normOfPass(unit.size)(pass), coverage: pass.step.coverage }]));
  const logged = (passKey: string, isTouchUp: boolean): number | null => {
    const { stepId } = halfOfId(readCoatKey(passKey).step);
    let minutes = 0;
    let models = 0;
    for (const row of rows) {
      const took = minutesThatCount(row);
      if (row.stepId !== stepId || took === null || (row.technique === 'touchup') !== isTouchUp) continue;
      minutes += took;
      models += row.models;
    }
    return models === 0 ? null : minutes / models;
  };
  const remembered = (of: (passKey: string) => number) => {
    const known = new Map<string, number>();
    return (passKey: string): number => {
      if (!known.has(passKey)) known.set(passKey, of(passKey));
      return known.get(passKey)!;
    };
  };
  const isPainted = (pass: Pass) => pass.models.every((model) => painted.get(pass.key)?.has(model));
  return {
    painted,
    repairs,
    isDone: closedAt !== null || passes.every(isPainted),
    pairs: [...strayPairs(rulesWork(unit, passes, withPots(paints, [unit.scheme]), { ...house, strays: {} }))],
    minutesOf: remembered((passKey) => logged(passKey, false) ?? norms.get(passKey)?.paint ?? 0),
    repairMinutesOf: remembered((passKey) => logged(passKey, true) ?? normMinutes('touchup', unit.size, norms.get(passKey)?.coverage ?? 0)),
  };
}
