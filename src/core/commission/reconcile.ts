import type { BenchMarks } from '../bench/definitions';
import { doneModels } from '../bench/replay/foldMarks';
import type { RosterUnit } from '../plan/build/roster';
import { expectedOf, hasOpenCount, hasScheme, includesStandard, isWaiting, modelsOf } from '../scheme/model/definitions';
import type { HouseRules } from '../scheme/model/houseRules';
import { passesOf, type Pass } from '../scheme/passes/passes';
import { lacksPaint } from '../scheme/passes/setups';
import { splitTrays } from '../scheme/passes/splitTrays';
import { partWords } from '../scheme/model/workWords';
import { factsOf, labelOf } from '../scheme/model/techniques';
import { allModels, modelsForStep } from '../scheme/model/whoTakes';

/** Where the models of a unit are, from the promise to the last coat. */
export interface Reconciliation {
  unitId: string;
  name: string;
  promised: number;
  owned: number;
  /** Null until somebody has counted. */
  counted: number | null;
  toPaint: number;
  inTrays: number;
  /** Null where nothing is primed. */
  primed: number | null;
  /** Every step painted, no missed spot open, not set aside. */
  finished: number;
  /** What is still open, in words; nothing when all of it agrees. */
  open: OpenEnd[];
}

/** Something that nobody paints as things stand, and where it is settled. */
export interface OpenEnd {
  what: string;
  at: 'intake' | 'scheme' | 'bench';
}

const few = (names: readonly string[]): string =>
  names.length <= 3 ? names.join(', ') : `${names.slice(0, 3).join(', ')} and ${names.length - 3} more`;
const models = (count: number): string => `${count} ${count === 1 ? 'model' : 'models'}`;

/** Counts a unit through to its end, and lists what is left out on the way. */
export function reconcile(unit: RosterUnit, { marks, aside }: BenchMarks, house: HouseRules): Reconciliation {
  const passes = passesOf(unit, unit.standard, house);
  const onTrays = new Set(splitTrays(unit, house).flatMap((tray) => tray.models));
  const outOfTrays = allModels(unit).filter((model) => !onTrays.has(model));
  const waiting = [...(aside.get(unit.id)?.keys() ?? [])].filter((model) => onTrays.has(model));
  const isDone = (pass: Pass, model: number) => !pass.models.includes(model) || doneModels(marks, pass.key).has(model);
  const missed = missesOf(passes, marks);
  const isSettled = (model: number) => !waiting.includes(model) && !missed.some((miss) => miss.model === model);
  const primes = passes.filter(({ step }) => step.technique === 'prime');
  const all = allModels(unit);
  return {
    unitId: unit.id,
    name: unit.name,
    promised: unit.promised,
    owned: unit.owned,
    counted: unit.counted,
    toPaint: modelsOf(unit),
    inTrays: onTrays.size - waiting.length,
    primed: primes.length === 0 ? null : all.filter((model) => primes.every((pass) => isDone(pass, model))).length,
    finished: passes.length === 0 ? 0 : all.filter((model) => isSettled(model) && passes.every((pass) => isDone(pass, model))).length,
    open: [...openAtIntake(unit), ...openAtScheme(unit, passes), ...openAtBench({ outOfTrays, waiting, missed }, unit)],
  };
}

function openAtIntake(unit: RosterUnit): OpenEnd[] {
  if (unit.counted === null) return [{ what: 'not counted yet', at: 'intake' }];
  if (!hasOpenCount(unit)) return [];
  const short = expectedOf(unit) - unit.counted;
  return [{ what: short > 0 ? `${models(short)} short` : `${models(-short)} too many`, at: 'intake' }];
}

function openAtScheme(unit: RosterUnit, passes: readonly Pass[]): OpenEnd[] {
  if (!hasScheme(unit)) return [{ what: 'no scheme yet', at: 'scheme' }];
  const planned = new Set(passes.map((pass) => pass.part?.id));
  const bare = unit.scheme.parts.filter(({ id }) => !planned.has(id)).map(({ name }) => name);
  const unpainted = [
    ...new Set(
      passes
        .filter(({ step, dips }) => dips.some(({ potId }) => lacksPaint(step.technique, potId)))
        .map(({ where, step }) => `${labelOf(step).toLowerCase()} on ${partWords(where)}`),
    ),
  ];
  const taken = new Set(passes.flatMap((pass) => pass.models));
  const idle = passes.length === 0 ? [] : allModels(unit).filter((model) => !taken.has(model));
  return [
    ...(bare.length > 0 ? [{ what: `no step at this standard: ${few(bare)}`, at: 'scheme' as const }] : []),
    ...(unpainted.length > 0 ? [{ what: `no paint: ${few(unpainted)}`, at: 'scheme' as const }] : []),
    ...neverDue(unit).map((step) => ({ what: `never due, as no model takes it: ${step}`, at: 'scheme' as const })),
    ...(idle.length > 0 ? [{ what: `no step for ${models(idle.length)}`, at: 'scheme' as const }] : []),
  ];
}

/** Steps of the standard paid for that are for groups or options without models. */
function neverDue(unit: RosterUnit): string[] {
  const strips = [...unit.scheme.parts.map(({ name, steps }) => ({ name, steps })), { name: 'everything', steps: unit.scheme.allOver }];
  return strips.flatMap(({ name, steps }) =>
    steps
      .filter((step) => includesStandard(unit.standard, step.standard) && modelsForStep(unit, step).length === 0)
      .map(({ technique }) => `${factsOf(technique).label.toLowerCase()} on ${name.toLowerCase()}`),
  );
}

/** Spots that were left out and not touched up since. */
function missesOf(passes: readonly Pass[], marks: BenchMarks['marks']): { model: number }[] {
  return passes.flatMap(({ key }) => [...(marks.get(key) ?? [])].flatMap(([model, { missed }]) => (missed ? [{ model }] : [])));
}

interface AtBench {
  outOfTrays: readonly number[];
  waiting: readonly number[];
  missed: readonly { model: number }[];
}

function openAtBench({ outOfTrays, waiting, missed }: AtBench, unit: RosterUnit): OpenEnd[] {
  return [
    ...(outOfTrays.length > 0
      ? [
          {
            what: `${models(outOfTrays.length)} on no tray${isWaiting(unit) ? ': the test model is not approved' : ''}`,
            at: 'intake' as const,
          },
        ]
      : []),
    ...(waiting.length > 0 ? [{ what: `${models(waiting.length)} set aside`, at: 'bench' as const }] : []),
    ...(missed.length > 0
      ? [{ what: `${missed.length} missed ${missed.length === 1 ? 'spot' : 'spots'} to touch up`, at: 'bench' as const }]
      : []),
  ];
}
