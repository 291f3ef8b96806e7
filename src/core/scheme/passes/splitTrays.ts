import { isWaiting, type GatedUnit, type Roll, type Unit } from '../model/definitions';
import type { HouseRules } from '../model/houseRules';
import { schoolsOf } from '../model/schoolsOf';
import { allModels, leadersOf } from '../model/whoTakes';

/** Models of one unit that travel together, in the order they are painted. */
export interface UnitTray {
  id: string;
  unitId: string;
  number: number;
  /** Of the unit, 1-based, ascending. */
  models: number[];
  /** Leaders travel apart, as a school has it. */
  isLeaders: boolean;
}

/** The model that is painted to the end first: the first that is there. */
export const testModelOf = (unit: Roll): number => allModels(unit)[0]!;

/** With leaders as a treat, one follows every so many of the others. */
const TREAT_AFTER = 10;

type OpenUnit = Roll & Pick<GatedUnit, 'testModel' | 'testedBy' | 'isHeld'>;
type SplitUnit = OpenUnit & Pick<Unit, 'id' | 'late' | 'trayLimit' | 'scheme'>;

/** Models that wait for nobody's word: all, or the test model, or none while that of another unit waits. */
export const openModels = (unit: OpenUnit): number[] => (unit.isHeld ? [] : isWaiting(unit) ? [testModelOf(unit)] : allModels(unit));

/**
 * Splits a unit into as few trays as its limit allows, as even as possible; leaders travel with the others or apart, as the school
 * says, and those that came late travel apart. While a test model waits for the client, only what may be painted is on a tray.
 */
export function splitTrays(unit: SplitUnit, house: Pick<HouseRules, 'schools'>): UnitTray[] {
  const all = openModels(unit);
  const isLate = (model: number) => unit.late.includes(model);
  const runs = [
    ...runsOf(
      all.filter((model) => !isLate(model)),
      unit,
      house,
    ),
    ...evenly(all.filter(isLate), unit.trayLimit, false),
  ];
  return runs.map(({ models, isLeaders }, index) => ({
    id: `${unit.id}/${index + 1}`,
    unitId: unit.id,
    number: index + 1,
    models,
    isLeaders,
  }));
}

type Run = Pick<UnitTray, 'models' | 'isLeaders'>;

function runsOf(all: number[], unit: SplitUnit, house: Pick<HouseRules, 'schools'>): Run[] {
  const school = schoolsOf(unit, house).leaders;
  const leaders = leadersOf(unit.scheme).filter((model) => all.includes(model));
  if (school === 'with the unit' || leaders.length === 0 || leaders.length === all.length) return evenly(all, unit.trayLimit, false);
  const others = all.filter((model) => !leaders.includes(model));
  if (school === 'as a treat after every ten') return asTreats(evenly(others, Math.min(unit.trayLimit, TREAT_AFTER), false), leaders);
  const apart = evenly(leaders, unit.trayLimit, true);
  const rest = evenly(others, unit.trayLimit, false);
  return school === 'last' ? [...rest, ...apart] : [...apart, ...rest];
}

function evenly(models: readonly number[], limit: number, isLeaders: boolean): Run[] {
  const trays = Math.ceil(models.length / limit);
  return Array.from({ length: trays }, (_, index) => ({
    models: models.slice(Math.floor((index * models.length) / trays), Math.floor(((index + 1) * models.length) / trays)),
    isLeaders,
  }));
}

/** One leader at a time behind each tray of the others; those left over come at the end. */
function asTreats(trays: readonly Run[], leaders: readonly number[]): Run[] {
  const treats = leaders.map((model): Run => ({ models: [model], isLeaders: true }));
  return [...trays.flatMap((tray, index) => [tray, ...treats.slice(index, index + 1)]), ...treats.slice(trays.length)];
}
