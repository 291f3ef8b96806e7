import { doneModels } from '../../core/bench/replay/foldMarks';
import { effortOf, passesOf } from '../../core/scheme/passes/passes';
import { testModelOf } from '../../core/scheme/passes/splitTrays';
import { factorOf, modelFactors } from '../../core/scheme/model/whoTakes';
import { minutesThatCount } from '../../core/log/definitions';
import { stretchMinutes } from '../../core/time/fit/learningCurve';
import type { TestModelPicture } from '../../contract/testModelPicture';
import type { TestRound } from '../../core/commission/testModel';
import type { Stores } from '../stores/stores';
import type { Workshop, WorkUnit } from '../workshop/loadWorkshop';
import { stepKindOf } from '../workshop/roster';

/** The test models of these units: how far they are, what they took, and what the client said. */
export async function loadTestModels(stores: Stores, workshop: Workshop, units: readonly WorkUnit[]): Promise<TestModelPicture[]> {
  const rounds = await stores.testRounds.ofUnits(units.map((unit) => unit.id));
  const shown = units.filter((unit) => unit.testModel !== 'none' || rounds.some((round) => round.unitId === unit.id));
  const lastTo = shown.length === 0 ? '' : await stores.testRounds.lastTo(shown[0]!.commissionId);
  return shown.map((unit) => {
    const own = rounds.filter((round) => round.unitId === unit.id);
    return { unitId: unit.id, state: unit.testModel, rounds: own, lastTo, ...progressOf(unit, own, workshop) };
  });
}

type Progress = Pick<TestModelPicture, 'stepsDone' | 'stepsTotal' | 'minutesLogged' | 'minutesExpected'>;

function progressOf(unit: WorkUnit, rounds: readonly TestRound[], workshop: Workshop): Progress {
  const { marks, house, model, log } = workshop;
  const passes = passesOf(unit, unit.standard, house).filter((pass) => pass.models.includes(testModelOf(unit)));
  const factor = factorOf(modelFactors(unit.scheme, house), testModelOf(unit));
  // Until its gate was opened nothing else of the unit could be painted.
  const openedAt = rounds.find(({ answer }) => answer === 'approved' || answer === 'on trust')?.answeredAt;
  const until = unit.testModel === 'waiting' ? null : (openedAt ?? '');
  const logged = log
    .filter((row) => row.unitId === unit.id && row.models === 1 && (until === null || Date.parse(row.startedAt) <= Date.parse(until)))
    .map((row) => minutesThatCount(row) ?? 0);
  return {
    stepsDone: passes.filter((pass) => doneModels(marks.marks, pass.key).has(testModelOf(unit))).length,
    stepsTotal: passes.length,
    minutesLogged: logged.length === 0 ? null : logged.reduce((sum, minutes) => sum + minutes, 0),
    minutesExpected: passes.reduce(
      (sum, pass) =>
        sum + stretchMinutes(model.curve(stepKindOf(unit, pass, workshop)), { done: 0, models: 1, weight: factor }) * effortOf(pass),
      0,
    ),
  };
}
