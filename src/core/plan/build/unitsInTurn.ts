import { groupBy } from '../../kernel/groupBy';
import type { TurnedBy, TurnKind } from '../../line/problem/turns';
import type { JobInfo, TrayInfo } from './lineJobs';
import type { Roster, RosterUnit } from './roster';
import { passesOf } from '../../scheme/passes/passes';

/** What is finished before the next is begun. Rules come in the order they are laid over each other: trays, then units. */
export interface TurnRule {
  kind: TurnKind;
  /** Of the unit that says so; null for House rules. */
  unitId: string | null;
  turns: TurnedBy['turns'];
}

/** The same, with what waits for it. */
export interface LaidTurns extends TurnRule, TurnedBy {}

/** What the painter wants finished before the next is begun, of the jobs that are left. */
export function turnRules(
  roster: Pick<Roster, 'units' | 'house' | 'doneModels'>,
  trays: readonly TrayInfo[],
  jobs: readonly JobInfo[],
): TurnRule[] {
  const ofUnit = groupBy(jobs, ({ unitId }) => unitId);
  const ofTray = groupBy(jobs, ({ trayId }) => trayId);
  const trayTurns = (unit: RosterUnit) =>
    trays.filter(({ unitId }) => unitId === unit.id).map(({ id }) => (ofTray.get(id) ?? []).map((job) => job.id));
  const idsOf = (units: readonly RosterUnit[]) => units.flatMap(({ id }) => ofUnit.get(id) ?? []).map(({ id }) => id);
  const { units, house } = roster;
  const first = units.filter(({ goesFirst }) => goesFirst);
  const others = units.filter(({ goesFirst }) => !goesFirst);
  const rules: TurnRule[] = [
    ...units.filter(({ trayByTray }) => trayByTray).map((unit): TurnRule => ({ kind: 'trays', unitId: unit.id, turns: trayTurns(unit) })),
    ...first.map((unit): TurnRule => ({ kind: 'first', unitId: unit.id, turns: [idsOf([unit]), idsOf(others)] })),
    ...(house.batches === 'across units' ? [] : [first, others]).map((each): TurnRule => ({
      kind: 'units',
      unitId: null,
      turns: batchesOf(each, roster).map(idsOf),
    })),
  ];
  return rules.map((rule) => ({ ...rule, turns: rule.turns.filter((group) => group.length > 0) })).filter(({ turns }) => turns.length > 1);
}

/** Units that are painted together, batch by batch. */
function batchesOf(units: readonly RosterUnit[], roster: Pick<Roster, 'house' | 'doneModels'>): RosterUnit[][] {
  if (roster.house.batches === 'one unit at a time') return units.map((unit) => [unit]);
  const isNear = new Map(units.map((unit) => [unit, isNearlyDone(unit, roster)]));
  return [true, false].map((near) => units.filter((unit) => isNear.get(unit) === near));
}

/** A unit with more of its steps done than this is nearly done. */
const NEARLY_DONE = 0.5;

/** Is more than half of a unit painted, counted in steps of models? */
export function isNearlyDone(unit: RosterUnit, { house, doneModels }: Pick<Roster, 'house' | 'doneModels'>): boolean {
  let all = 0;
  let done = 0;
  for (const pass of passesOf(unit, unit.standard, house)) {
    const painted = doneModels(pass.key);
    all += pass.models.length;
    done += pass.models.filter((model) => painted.has(model)).length;
  }
  return all > 0 && done / all > NEARLY_DONE;
}
