import { groupBy } from '../../kernel/groupBy';
import { jobKey } from '../../kernel/ids';
import { lineFormatOf, type LineAfter, type LineJob, type LineProblem, type LineWeights } from '../../line/definitions';
import { inTurn, type TurnKind } from '../../line/problem/turns';
import { allAtOnce, type Steps } from '../../kernel/steps';
import type { Step } from '../../scheme/model/definitions';
import type { Moment } from '../../scheme/model/moments';
import type { Roster, RosterUnit } from './roster';
import { lineSetup, lineTools } from './lineTools';
import { idOfHalf } from '../../scheme/model/halves';
import { type JobInfo, type OrderReason, type TrayInfo } from './lineJobs';
import { orderOnTray } from './orderOnTray';
import { orderRules } from '../../scheme/rules/orderRules';
import { effortOf, passesOf } from '../../scheme/passes/passes';
import { passStretches, type PassStretch } from '../../scheme/passes/passStretches';
import type { Pot } from '../../scheme/model/pots';
import { turnRules, type LaidTurns } from './unitsInTurn';
import { brushOf, changeoverMinutes, setupId, setupOf, startMinutes, type SetupInfo } from '../../scheme/passes/setups';
import { staminaWish } from './stamina';
import { splitTrays, type UnitTray } from '../../scheme/passes/splitTrays';
import { factsOf, ownWords, type Technique } from '../../scheme/model/techniques';
import { mixTexts, recipeOf } from '../../scheme/model/recipe';
import { usualDrying } from '../../scheme/model/shares';
import { factorOf, modelFactors, type ModelFactor } from '../../scheme/model/whoTakes';

/** A line problem and what its ids mean. */
export interface BuiltLine {
  problem: LineProblem;
  jobs: JobInfo[];
  trays: TrayInfo[];
  setups: SetupInfo[];
  reasons: OrderReason[];
  /** Of each preference of the problem, the rule that weighs most in it. */
  preferRules: string[];
  /** What is finished before the next is begun, as the painter wants it. */
  turns: LaidTurns[];
}

/** Units and schemes become a line problem: a job for every pass on every tray that still has models to paint. */
export const buildLine = (roster: Roster): BuiltLine => allAtOnce(buildLineInSteps(roster));

/** The same, unit by unit. */
export function* buildLineInSteps(roster: Roster): Steps<BuiltLine> {
  const perUnit: ReturnType<typeof buildUnit>[] = [];
  for (const unit of roster.units) {
    perUnit.push(buildUnit(unit, roster));
    yield;
  }
  const jobs = perUnit.flatMap((unit) => unit.jobs);
  const taken = new Set(jobs.map((job) => job.trayId));
  const trays = perUnit.flatMap((unit) => unit.trays).filter((tray) => taken.has(tray.id));
  let lineJobs = perUnit.flatMap((unit) => unit.lineJobs);
  const turns = turnRules(roster, trays, jobs).map((rule): LaidTurns => {
    const turned = inTurn(lineJobs, rule.turns);
    lineJobs = turned.jobs;
    return { ...rule, waits: turned.waits };
  });
  const setups = distinctSetups(jobs, roster.paints);
  const wishes = staminaWish(trays, roster.house);
  const weights = weightsOf(roster.house);
  const { fetchMinutes } = roster.house;
  const lineTrays = trays.map((tray) => ({ id: tray.id, models: tray.models.length, ...(fetchMinutes > 0 && { fetchMinutes }) }));
  return {
    problem: {
      format: lineFormatOf({ trays: lineTrays, weights }),
      trays: lineTrays,
      tools: lineTools(roster.house),
      setups: setups.map(lineSetup),
      start: setups.map((setup) => startMinutes(setup, roster.house)),
      changeover: setups.map((from) => setups.map((to) => changeoverMinutes(from, to, roster.house))),
      jobs: lineJobs,
      prefer: perUnit.flatMap((unit) => unit.prefer),
      weights,
      ...(wishes.length > 0 && { wishes }),
    },
    jobs,
    trays,
    setups,
    reasons: [
      ...perUnit.flatMap((unit) => unit.reasons),
      ...turns.flatMap(({ kind, waits }) => waits.map((wait) => ({ ...wait, reason: TURN_REASONS[kind] }))),
    ],
    turns,
    preferRules: perUnit.flatMap((unit) => unit.preferRules),
  };
}

/** A minute at the bench is a minute; a day sooner and a change of what is in hand are worth what the painter says. */
const weightsOf = ({ dayMinutes, changeMinutes }: Roster['house']): LineWeights => ({
  bench: 1,
  span: Math.round((dayMinutes / DAY_MINUTES) * SPAN_DIGITS) / SPAN_DIGITS,
  leg: changeMinutes,
});
const DAY_MINUTES = 1440;
/** Four digits are finer than anybody can say what a day is worth. */
const SPAN_DIGITS = 10_000;

function buildUnit(unit: RosterUnit, roster: Roster) {
  const passes = passesOf(unit, unit.standard, roster.house);
  const factors = modelFactors(unit.scheme, roster.house);
  const mixes = mixTexts(unit.scheme, roster.paints);
  const trays: TrayInfo[] = splitTrays(unit, roster.house).map((tray) => ({ ...tray, unitName: unit.name }));
  const stretches = passStretches(passes, trays, factors, roster.doneModels);
  const ordinary = new Map(
    stretches.map((stretch) => [stretch, roster.minutesOf(unit, stretch.pass, stretch) * effortOf(stretch.pass)] as const),
  );
  const ofPass = new Map([...ordinary].reverse().map(([{ pass }, minutes]) => [pass, minutes] as const));
  const rules = orderRules(unit, passes, roster.paints, roster.house, (pass) => ofPass.get(pass) ?? 0);
  const perTray = trays.map((tray) => {
    const ofTray = stretches.filter((stretch) => stretch.tray === tray);
    const jobs = ofTray.map((stretch) =>
      jobOf(stretch, unit, { factors, ordinary: ordinary.get(stretch)!, moment: rules.moments.get(stretch.pass.key)!, mixes }, roster),
    );
    return { jobs, ...orderOnTray(jobs, rules) };
  });
  // As entered means pass by pass, each over all trays of the unit.
  const place = new Map(passes.map((pass, index) => [pass.key, index]));
  const jobs = perTray.flatMap((each) => each.jobs).sort((a, b) => place.get(a.passKey)! - place.get(b.passKey)!);
  const after = new Map(perTray.flatMap((each) => [...each.after]));
  const trayOf = new Map(trays.map((tray) => [tray.id, tray]));
  const apart = leadersInTurn(jobs, trayOf);
  return {
    trays,
    jobs,
    lineJobs: jobs.map((job) => lineJob(job, trayOf.get(job.trayId)!, [...(after.get(job.id) ?? []), ...(apart.get(job.id) ?? [])])),
    prefer: perTray.flatMap(({ prefer }) => prefer),
    reasons: [
      ...perTray.flatMap(({ reasons }) => reasons),
      ...[...apart].flatMap(([job, waits]) => waits.map((wait) => ({ before: wait.job, after: job, reason: LEADERS_IN_TURN }))),
    ],
    preferRules: perTray.flatMap(({ preferRules }) => preferRules),
  };
}

const TURN_REASONS = {
  trays: 'This unit is finished tray by tray, as you said.',
  first: 'This unit is finished before the others are begun, as you said.',
  units: 'Units take their turn, as your batches have it.',
} as const satisfies Record<TurnKind, string>;
const LEADERS_IN_TURN = 'Leaders on trays of their own take their turn, as your school has it.';

/**
 * Where leaders travel apart, each pass takes the trays in their order at every change between leaders and others: nothing has to
 * dry in between.
 */
function leadersInTurn(jobs: readonly JobInfo[], trays: ReadonlyMap<string, UnitTray>): Map<string, LineAfter[]> {
  const turns = new Map<string, LineAfter[]>();
  if ([...trays.values()].every(({ isLeaders }) => !isLeaders)) return turns;
  for (const ofPass of groupBy(jobs, ({ passKey }) => passKey).values()) {
    const inTurn = ofPass.toSorted((a, b) => trays.get(a.trayId)!.number - trays.get(b.trayId)!.number);
    let before: JobInfo[] = [];
    let now: JobInfo[] = [];
    for (const job of inTurn) {
      const isChange = now.length > 0 && trays.get(now[0]!.trayId)!.isLeaders !== trays.get(job.trayId)!.isLeaders;
      if (isChange) [before, now] = [now, []];
      now.push(job);
      if (before.length > 0)
        turns.set(
          job.id,
          before.map(({ id }) => ({ job: id, scope: 'tray', lagMinutes: 0 })),
        );
    }
  }
  return turns;
}

function jobOf(
  { pass, dip, tray, ofTray }: PassStretch,
  unit: RosterUnit,
  {
    factors,
    ordinary,
    moment,
    mixes,
  }: { factors: readonly ModelFactor[]; ordinary: number; moment: Moment; mixes: ReadonlyMap<string, string> },
  roster: Roster,
): JobInfo {
  return {
    id: jobKey(pass.key, tray.number, dip.isUsual ? null : dip.potId),
    passKey: pass.key,
    commissionId: unit.commissionId,
    commissionName: unit.commissionName,
    unitId: unit.id,
    unitName: unit.name,
    size: unit.size,
    trayId: tray.id,
    partName: pass.where,
    technique: pass.step.technique,
    ...ownWords(pass.step),
    moment,
    paintId: dip.potId,
    setupId: setupId({ ...pass.step, brush: brushOf(pass.step), id: idOfHalf(pass.step.id, pass.half) }, dip.potId),
    coat: pass.coat,
    half: pass.half,
    coats: pass.step.coats,
    coverage: pass.step.coverage,
    models: ofTray,
    minutes: ofTray.map((model) => ordinary * factorOf(factors, model)),
    dryMinutes: dryMinutesOf(pass.step, dip.potId, roster),
    recipe: recipeOf(pass.step, dip.potId, mixes),
  };
}

/** The step's own drying wins over the label of what is on the brush, the label over what is usual for the technique; the climate scales it. */
export function dryMinutesOf(step: Step, potId: string | null, roster: Pick<Roster, 'paints' | 'house'>): number {
  const label = potId === null ? null : (roster.paints.get(potId)?.dryMinutes ?? null);
  return (step.dryMinutes ?? label ?? usualDrying(step)) * roster.house.dryingFactor;
}

/** Not to be picked up for so long; never longer than it is wet. */
export const handleMinutesOf = (technique: Technique, dryMinutes: number): number => Math.min(factsOf(technique).handleMinutes, dryMinutes);

function lineJob(job: JobInfo, tray: UnitTray, after: LineAfter[]): LineJob {
  const minutes = [...new Set(job.minutes)];
  return {
    id: job.id,
    tray: tray.id,
    setup: job.setupId,
    ...(job.models.length < tray.models.length && { models: job.models.map((model) => tray.models.indexOf(model) + 1) }),
    minutesPerModel: minutes.length === 1 ? minutes[0]! : job.minutes,
    dryMinutes: job.dryMinutes,
    handleMinutes: handleMinutesOf(job.technique, job.dryMinutes),
    after,
  };
}

function distinctSetups(jobs: JobInfo[], paints: ReadonlyMap<string, Pot>): SetupInfo[] {
  const setups = new Map<string, SetupInfo>();
  for (const job of jobs) {
    if (setups.has(job.setupId)) continue;
    setups.set(job.setupId, setupOf(job.setupId, paints));
  }
  return [...setups.values()];
}
