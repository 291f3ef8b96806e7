import { placeWords } from '../../core/scheme/model/workWords';
import { carryOver } from '../../core/line/hand/carryOver';
import { hasScheme, isWaiting, modelsOf } from '../../core/scheme/model/definitions';
import { ruleOf } from '../../core/scheme/rules/ruleCatalogue';
import { passesOf } from '../../core/scheme/passes/passes';
import { isNearlyDone } from '../../core/plan/build/unitsInTurn';
import { lacksPaint } from '../../core/scheme/passes/setups';
import { leadersOf } from '../../core/scheme/model/whoTakes';
import { shareMinutes } from '../../core/plan/build/lineFigures';
import { labelOf } from '../../core/scheme/model/techniques';
import type { LinePicture, UnitChoice } from '../../contract/line';
import { selectionKey } from '../../core/plan/selection';
import { shortPaints } from '../../core/paint/shortPaints';
import { replacedLine } from '../workshop/replacedLine';
import { figuresOf } from './benchEstimate';
import { paintStanding } from './paintStanding';
import { isToBeSearched } from './searchLines';
import { suggestedOrder } from './suggestedOrder';
import { letOthersIn } from '../running/inSlices';
import { lineLeft } from '../workshop/builtLine';
import { commissionDates } from '../workshop/commissionDates';
import { datedLine } from '../workshop/datedLine';
import { askedSessions } from '../workshop/askedSessions';
import { rosterOf } from '../workshop/roster';
import { chosenUnits, currentSelection } from '../workshop/choice';
import { loadWorkshop, type Workshop, type WorkUnit } from '../workshop/loadWorkshop';
import type { Stores } from '../stores/stores';

/** What is left to paint of the units chosen, as a line. */
export async function loadLine(stores: Stores, now: Date): Promise<LinePicture> {
  const workshop = await loadWorkshop(stores, now);
  const selection = await currentSelection(stores, workshop);
  const units = chosenUnits(workshop, selection);
  const built = await lineLeft(workshop, units);
  const bench = await stores.workshop.bench();
  const leaders = new Map(units.map((unit) => [unit.id, new Set(leadersOf(unit.scheme))]));
  const waiting = units.filter(isWaiting);
  const isOnBench = bench !== null && selectionKey(bench.selection) === selectionKey(selection);
  // What lies on the bench is looked at as it is, until the painter changes it here.
  const own = (await stores.workshop.ownLine(selection)) ?? (isOnBench ? bench : null);
  const suggested = await suggestedOrder(stores, workshop, { selection, units }, built, now);
  await letOthersIn();
  const dated = await datedLine(workshop, built, now);
  const carried = own && built.jobs.length > 0 ? carryOver(built.problem, own) : null;
  await letOthersIn();
  const { shelf, left, amounts } = await paintStanding(stores, workshop);
  const dates = new Map(commissionDates(workshop).map((date) => [date.id, date]));
  return {
    ...built,
    askedSessions: askedSessions(workshop),
    selection,
    choices: unitChoices(workshop),
    treatJobs: built.jobs.filter((job) => job.models.every((model) => leaders.get(job.unitId)!.has(model))).map((job) => job.id),
    nearlyDone: units.filter((unit) => isNearlyDone(unit, rosterOf(workshop, units))).map(({ id }) => id),
    sessions: dated?.sessions ?? null,
    due: dated?.problem.due ?? [],
    commissions: workshop.commissions.map(({ id, name, dueOn }) => ({
      id,
      name,
      dueOn,
      leavesBy: dates.get(id)!.leavesBy,
      cureDays: dates.get(id)!.cureDays,
    })),
    ruleWords: ruleWordsOf(built.preferRules),
    suggested,
    isSearching: await isToBeSearched(stores, workshop, { selection, units }, now),
    own: carried,
    ownRevision: await stores.workshop.ownLineRevision(selection),
    isOwnOnBench: isOnBench && own === bench,
    waitingUnits: waiting.filter(({ isHeld }) => !isHeld).map((unit) => unit.name),
    heldUnits: waiting.filter(({ isHeld }) => isHeld).map((unit) => unit.name),
    withWaiting: waiting.length === 0 ? null : shareMinutes((await figuresOf(stores, workshop, { selection, units }, now)).total),
    unitsWithoutScheme: units.filter((unit) => !hasScheme(unit)).map((unit) => unit.name),
    stepsWithoutPaint: units.flatMap((unit) => stepsWithoutPaint(unit, workshop)),
    shortPaints: shortPaints(
      shelf,
      left,
      units.map(({ id }) => amounts.get(id)!),
    ),
    isOnBench,
    isBenchTaken: bench !== null && !isOnBench,
    canPutBack: replacedLine(workshop, bench) !== null,
  };
}

const ruleWordsOf = (rules: readonly string[]): Record<string, string> =>
  Object.fromEntries([...new Set(rules)].map((rule) => [rule, ruleOf(rule)?.says ?? 'Your own wishes.']));

function stepsWithoutPaint(unit: WorkUnit, { house }: Workshop): string[] {
  const names = passesOf(unit, unit.standard, house)
    .filter(({ step, coat }) => coat === 1 && lacksPaint(step.technique, step.paint ?? step.mix))
    .map(({ where, step }) => `${unit.name}, ${placeWords(where)}: ${labelOf(step).toLowerCase()}`);
  return [...new Set(names)];
}

export function unitChoices(workshop: Workshop): UnitChoice[] {
  const dueOn = new Map(workshop.commissions.map((commission) => [commission.id, commission.dueOn]));
  return workshop.units.map((unit) => ({
    id: unit.id,
    name: unit.name,
    models: modelsOf(unit),
    commissionId: unit.commissionId,
    commissionName: unit.commissionName,
    dueOn: dueOn.get(unit.commissionId)!,
    hasScheme: hasScheme(unit),
  }));
}
