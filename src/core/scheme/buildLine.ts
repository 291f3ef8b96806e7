import { LINE_PROBLEM_FORMAT, type LineAfter, type LineJob, type LineProblem } from '../line/definitions';
import { allAtOnce, type Steps } from '../steps';
import type { Paint, Standard, Technique, Unit } from './definitions';
import type { HouseRules } from './houseRules';
import { jobId, type JobInfo, type OrderReason, type TrayInfo } from './lineJobs';
import { orderOnTray } from './orderOnTray';
import { orderRules } from './orderRules';
import { passesOf, type Pass } from './passes';
import { changeoverMinutes, lineSetup, lineTools, setupId, startMinutes, type SetupInfo } from './setups';
import { splitTrays, type UnitTray } from './splitTrays';
import { factsOf } from './techniques';

/** A unit with what its commission says of it. */
export interface RosterUnit extends Unit {
  commissionId: string;
  commissionName: string;
  /** What the client pays for. */
  standard: Standard;
}

/** What a line is built from: units of one commission or of several. */
export interface Roster {
  units: RosterUnit[];
  paints: ReadonlyMap<string, Paint>;
  house: HouseRules;
  /** Hands-on minutes of one ordinary model for a pass. */
  minutesOf: (unit: RosterUnit, pass: Pass) => number;
  /** Models of a pass that are painted already. */
  doneModels: (passKey: string) => ReadonlySet<number>;
}

/** A line problem and what its ids mean. */
export interface BuiltLine {
  problem: LineProblem;
  jobs: JobInfo[];
  trays: TrayInfo[];
  setups: SetupInfo[];
  reasons: OrderReason[];
  softReasons: OrderReason[];
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
  const setups = distinctSetups(jobs, roster.paints);
  return {
    problem: {
      format: LINE_PROBLEM_FORMAT,
      trays: trays.map((tray) => ({ id: tray.id, models: tray.to - tray.from + 1 })),
      tools: lineTools(roster.house),
      setups: setups.map(lineSetup),
      start: setups.map((setup) => startMinutes(setup, roster.house)),
      changeover: setups.map((from) => setups.map((to) => changeoverMinutes(from, to, roster.house))),
      jobs: perUnit.flatMap((unit) => unit.lineJobs),
      prefer: perUnit.flatMap((unit) => unit.prefer),
    },
    jobs,
    trays,
    setups,
    reasons: perUnit.flatMap((unit) => unit.reasons),
    softReasons: perUnit.flatMap((unit) => unit.softReasons),
  };
}

function buildUnit(unit: RosterUnit, roster: Roster) {
  const passes = passesOf(unit, unit.standard);
  const rules = orderRules(unit, passes, roster.paints, roster.house);
  const trays: TrayInfo[] = splitTrays(unit).map((tray) => ({ ...tray, unitName: unit.name }));
  const perTray = trays.map((tray) => {
    const jobs = passes.map((pass) => jobOf(pass, unit, tray, roster)).filter((job) => job.models.length > 0);
    return { jobs, ...orderOnTray(jobs, tray, rules) };
  });
  // As entered means pass by pass, each over all trays of the unit.
  const place = new Map(passes.map((pass, index) => [pass.key, index]));
  const jobs = perTray.flatMap((each) => each.jobs).sort((a, b) => place.get(a.passKey)! - place.get(b.passKey)!);
  const after = new Map(perTray.flatMap((each) => [...each.after]));
  const trayOf = new Map(trays.map((tray) => [tray.id, tray]));
  return {
    trays,
    jobs,
    lineJobs: jobs.map((job) => lineJob(job, trayOf.get(job.trayId)!, after.get(job.id) ?? [])),
    prefer: perTray.flatMap(({ prefer }) => prefer),
    reasons: perTray.flatMap(({ reasons }) => reasons),
    softReasons: perTray.flatMap(({ softReasons }) => softReasons),
  };
}

function jobOf(pass: Pass, unit: RosterUnit, tray: UnitTray, roster: Roster): JobInfo {
  const done = roster.doneModels(pass.key);
  const models = pass.models.filter((model) => model >= tray.from && model <= tray.to && !done.has(model));
  const ordinary = models.length > 0 ? roster.minutesOf(unit, pass) : 0;
  return {
    id: jobId(pass.key, tray),
    passKey: pass.key,
    commissionId: unit.commissionId,
    commissionName: unit.commissionName,
    unitId: unit.id,
    unitName: unit.name,
    size: unit.size,
    trayId: tray.id,
    partName: pass.part?.name ?? null,
    technique: pass.step.technique,
    paintId: pass.step.paintId,
    setupId: setupId(pass.step),
    coat: pass.coat,
    coats: pass.step.coats,
    coverage: pass.step.coverage,
    models,
    minutes: models.map((model) => ordinary * factorOf(unit, roster.house, model)),
    dryMinutes: dryMinutesOf(pass, roster),
  };
}

/** How many ordinary models a model counts as. */
export const factorOf = (unit: Pick<Unit, 'leaders'>, house: Pick<HouseRules, 'leaderFactor'>, model: number): number =>
  model <= unit.leaders ? house.leaderFactor : 1;

/** The step's own drying wins over the paint's label, the label over the technique's usual time; the climate scales it. */
export function dryMinutesOf(pass: Pick<Pass, 'step'>, roster: Pick<Roster, 'paints' | 'house'>): number {
  const { step } = pass;
  const label = step.paintId === null ? null : (roster.paints.get(step.paintId)?.dryMinutes ?? null);
  return (step.dryMinutes ?? label ?? factsOf(step.technique).dryMinutes) * roster.house.dryingFactor;
}

/** Not to be picked up for so long; never longer than it is wet. */
export const handleMinutesOf = (technique: Technique, dryMinutes: number): number => Math.min(factsOf(technique).handleMinutes, dryMinutes);

function lineJob(job: JobInfo, tray: UnitTray, after: LineAfter[]): LineJob {
  const trayModels = tray.to - tray.from + 1;
  const minutes = [...new Set(job.minutes)];
  return {
    id: job.id,
    tray: tray.id,
    setup: job.setupId,
    ...(job.models.length < trayModels && { models: job.models.map((model) => model - tray.from + 1) }),
    minutesPerModel: minutes.length === 1 ? minutes[0]! : job.minutes,
    dryMinutes: job.dryMinutes,
    handleMinutes: handleMinutesOf(job.technique, job.dryMinutes),
    after,
  };
}

function distinctSetups(jobs: JobInfo[], paints: ReadonlyMap<string, Paint>): SetupInfo[] {
  const setups = new Map<string, SetupInfo>();
  for (const job of jobs) {
    if (setups.has(job.setupId)) continue;
    setups.set(job.setupId, {
      id: job.setupId,
      technique: job.technique,
      paint: job.paintId === null ? null : (paints.get(job.paintId) ?? null),
    });
  }
  return [...setups.values()];
}
