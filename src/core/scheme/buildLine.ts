import { LINE_PROBLEM_FORMAT, type LineAfter, type LineJob, type LinePrefer, type LineProblem } from '../line/definitions';
import type { Paint, Size, Standard, Technique, Unit } from './definitions';
import type { HouseRules } from './houseRules';
import { orderRules, type HardRule, type OrderRules } from './orderRules';
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

/** A job of the line in the painter's terms. */
export interface JobInfo {
  id: string;
  passKey: string;
  commissionId: string;
  commissionName: string;
  unitId: string;
  unitName: string;
  size: Size;
  trayId: string;
  /** Null for a step that goes over everything. */
  partName: string | null;
  technique: Technique;
  paintId: string | null;
  setupId: string;
  coat: number;
  coats: number;
  coverage: number;
  /** Models of the unit still to paint, 1-based. */
  models: number[];
  /** Minutes for each of them. */
  minutes: number[];
  dryMinutes: number;
}

/** Hands-on minutes of all the models of a job. */
export const jobMinutes = (job: Pick<JobInfo, 'minutes'>): number => job.minutes.reduce((sum, minutes) => sum + minutes, 0);

export interface TrayInfo extends UnitTray {
  unitName: string;
}

/** Why one job stands before another; hard rules only, as they are in the problem. */
export interface OrderReason {
  before: string;
  after: string;
  reason: string;
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
export function buildLine(roster: Roster): BuiltLine {
  const perUnit = roster.units.map((unit) => buildUnit(unit, roster));
  const jobs = perUnit.flatMap((unit) => unit.jobs);
  const trays = perUnit.flatMap((unit) => unit.trays).filter((tray) => jobs.some((job) => job.trayId === tray.id));
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

export const jobId = (pass: string, tray: Pick<UnitTray, 'number'>) => `${pass}@${tray.number}`;

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

/** The unit's rules between the jobs that are still open on one tray. */
function orderOnTray(jobs: JobInfo[], tray: UnitTray, rules: OrderRules) {
  const open = new Map(jobs.map((job) => [job.passKey, job]));
  const hard = withoutImplied(
    rules.hard.filter((rule) => open.has(rule.before) && open.has(rule.after)),
    open,
  );
  const soft = rules.soft.filter((rule) => open.has(rule.first) && open.has(rule.then));
  const after = new Map<string, LineAfter[]>();
  for (const rule of hard) {
    const entry: LineAfter = {
      job: jobId(rule.before, tray),
      scope: rule.scope,
      ...(rule.lagMinutes !== null && { lagMinutes: rule.lagMinutes }),
    };
    const of = jobId(rule.after, tray);
    after.set(of, [...(after.get(of) ?? []), entry]);
  }
  const prefer: LinePrefer[] = soft.map((rule) => ({
    first: jobId(rule.first, tray),
    then: jobId(rule.then, tray),
    minutes: rule.minutesPerModel * sharedModels(open.get(rule.first)!, open.get(rule.then)!),
  }));
  const named = (before: string, behind: string, reason: string): OrderReason => ({
    before: jobId(before, tray),
    after: jobId(behind, tray),
    reason,
  });
  return {
    after,
    prefer: prefer.filter((entry) => entry.minutes > 0),
    reasons: hard.map((rule) => named(rule.before, rule.after, rule.reason)),
    softReasons: soft.map((rule) => named(rule.first, rule.then, rule.reason)),
  };
}

const sharedModels = (a: JobInfo, b: JobInfo) => a.models.filter((model) => b.models.includes(model)).length;

/**
 * Leaves out a rule a -> c where rules a -> b and b -> c make c wait at least as long anyway.
 * Timing gets faster and the reasons shorter; no order changes.
 */
function withoutImplied(rules: HardRule[], open: ReadonlyMap<string, JobInfo>): HardRule[] {
  const byPair = new Map(rules.map((rule) => [`${rule.before}>${rule.after}`, rule]));
  return rules.filter((rule) => {
    if (rule.lagMinutes !== null) return true;
    for (const [between, job] of open) {
      const into = byPair.get(`${rule.before}>${between}`);
      const outOf = byPair.get(`${between}>${rule.after}`);
      if (into && outOf && isImplied(rule, into, outOf, job.models, open)) return false;
    }
    return true;
  });
}

/** Does waiting for b, which itself waits for a, keep every model of c waiting for a as the rule a -> c asks? */
function isImplied(rule: HardRule, into: HardRule, outOf: HardRule, between: number[], open: ReadonlyMap<string, JobInfo>): boolean {
  const a = open.get(rule.before)!.models;
  const c = open.get(rule.after)!.models;
  const covers = (models: number[]) => models.every((model) => between.includes(model));
  if (into.scope === 'tray') return outOf.scope === 'tray' || covers(c);
  if (rule.scope === 'tray') return outOf.scope === 'tray' && covers(a);
  return covers(a.filter((model) => c.includes(model)));
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
