import { jobKey } from '../../kernel/ids';
import { dryMinutesOf, handleMinutesOf } from '../../plan/build/buildLine';
import type { Roster, RosterUnit } from '../../plan/build/roster';
import { idOfHalf, type Half } from '../../scheme/model/halves';
import type { Size } from '../../scheme/model/definitions';
import { ownWords, type OwnTechnique, type Technique } from '../../scheme/model/techniques';
import { mixTexts, recipeOf } from '../../scheme/model/recipe';
import { likeOf } from '../../scheme/model/lineage';
import { hardRules } from '../../scheme/rules/orderRules';
import { effortOf, passesOf, type Dip, type Pass } from '../../scheme/passes/passes';
import { momentOf } from '../../scheme/model/momentOf';
import type { Moment } from '../../scheme/model/moments';
import { schoolsOf } from '../../scheme/model/schoolsOf';
import { trialOf } from '../../scheme/authoring/trial';
import { brushOf, lacksPaint, setupId } from '../../scheme/passes/setups';
import { splitTrays } from '../../scheme/passes/splitTrays';
import { leadersOf, modelFactors, type ModelFactor } from '../../scheme/model/whoTakes';
import { allAtOnce, type Steps } from '../../kernel/steps';
import type { WorkFacts } from '../definitions';

/** What must be painted and dry before a pass, by its place in the line's passes, and why, by its place in the reasons. */
export interface PassBefore {
  pass: number;
  scope: 'model' | 'tray';
  lagMinutes: number | null;
  reason: number;
}

/** A pass as it is painted at the bench, on whatever trays its unit has today. */
export interface BenchPass {
  key: string;
  unitId: string;
  /** As it is marked: with the half behind it where the coat is painted in two. */
  stepId: string;
  coat: number;
  coats: number;
  half: Half | null;
  /** Null for a step that goes over everything. */
  part: string | null;
  partId: string | null;
  technique: Technique;
  /** When it stands in the life of a model. */
  moment: Moment;
  /** Left out for a shipped technique. */
  own?: Pick<OwnTechnique, 'name' | 'caution'>;
  /** Which brush, in the painter's words; empty where the technique says it. */
  brush: string;
  /** Looked at model by model: only where it is needed. */
  ifNeeded: boolean;
  /** Models that try another pot before it is decided for all; null where none do. */
  trial: number[] | null;
  coverage: number;
  /** Models of the unit that take it, 1-based, ascending. */
  models: number[];
  /** What they are painted with; at least one. */
  dips: BenchDip[];
  /** Planned for an ordinary model. */
  minutes: number;
  effort: number;
  /** The first of the steps that its step was copied from, while it is painted alike. */
  like: string | null;
  /** What must be painted and dry before it. */
  after: PassBefore[];
}

/** A pot of a pass, and the models that take it. */
export interface BenchDip extends Dip {
  setupId: string;
  lacksPaint: boolean;
  dryMinutes: number;
  handleMinutes: number;
  /** How it is made and used, in words. */
  recipe: string[];
}

export interface BenchUnit {
  id: string;
  name: string;
  commissionId: string;
  commission: string;
  size: Size;
  factors: ModelFactor[];
  leaders: number[];
  trays: { number: number; models: number[] }[];
}

/** One pass on one tray with one pot, in the order of the line. */
export interface BenchJob {
  id: string;
  passKey: string;
  unitId: string;
  tray: number;
  /** Id of a paint or a mix. */
  paintId: string | null;
  setupId: string;
  lacksPaint: boolean;
  models: number[];
}

/** A line as an order over today's passes and trays: nothing of it is kept but the order. */
export interface BenchLine {
  units: BenchUnit[];
  passes: BenchPass[];
  /** Why one pass stands before another. */
  reasons: string[];
  jobs: BenchJob[];
}

/**
 * Lays an order (job ids) over the work as it is today. Jobs that it does not name are painted: they stand in front, as they are
 * entered, so that none of them moves what is left, and one that is opened again comes first.
 */
export const benchLine = (roster: Roster, order: readonly string[]): BenchLine => allAtOnce(benchLineInSteps(roster, order));

/** The same, unit by unit. */
export function* benchLineInSteps(roster: Roster, order: readonly string[]): Steps<BenchLine> {
  const units = roster.units.map((unit) => benchUnit(unit, roster));
  const reasons: string[] = [];
  const passes: BenchPass[] = [];
  for (const unit of roster.units) {
    passes.push(...benchPasses(unit, roster, passes.length, reasons));
    yield;
  }
  const byId = new Map(units.map((unit) => [unit.id, unit]));
  const jobs = passes.flatMap((pass) => jobsOf(pass, byId.get(pass.unitId)!));
  const rank = new Map(order.map((id, place) => [id, place]));
  return { units, passes, reasons, jobs: jobs.sort((a, b) => (rank.get(a.id) ?? -1) - (rank.get(b.id) ?? -1)) };
}

const benchUnit = (unit: RosterUnit, { house }: Roster): BenchUnit => ({
  id: unit.id,
  name: unit.name,
  commissionId: unit.commissionId,
  commission: unit.commissionName,
  size: unit.size,
  factors: modelFactors(unit.scheme, house),
  leaders: leadersOf(unit.scheme),
  trays: splitTrays(unit, house).map(({ number, models }) => ({ number, models })),
});

function benchPasses(unit: RosterUnit, roster: Roster, first: number, reasons: string[]): BenchPass[] {
  const passes = passesOf(unit, unit.standard, roster.house);
  const { hard } = hardRules(unit, passes, roster.paints, roster.house);
  const places = new Map(passes.map((pass, index) => [pass.key, first + index]));
  const numberOf = (reason: string) => {
    if (!reasons.includes(reason)) reasons.push(reason);
    return reasons.indexOf(reason);
  };
  const mixes = mixTexts(unit.scheme, roster.paints);
  const schools = schoolsOf(unit, roster.house);
  const dipOf = ({ step, half }: Pass, dip: Dip): BenchDip => {
    const dryMinutes = dryMinutesOf(step, dip.potId, roster);
    return {
      ...dip,
      setupId: setupId({ ...step, brush: brushOf(step), id: idOfHalf(step.id, half) }, dip.potId),
      lacksPaint: lacksPaint(step.technique, dip.potId),
      dryMinutes,
      handleMinutes: handleMinutesOf(step.technique, dryMinutes),
      recipe: recipeOf(step, dip.potId, mixes),
    };
  };
  return passes.map((pass) => {
    return {
      key: pass.key,
      unitId: unit.id,
      stepId: idOfHalf(pass.step.id, pass.half),
      coat: pass.coat,
      coats: pass.step.coats,
      half: pass.half,
      part: pass.where,
      partId: pass.part?.id ?? null,
      technique: pass.step.technique,
      moment: momentOf(pass.step, roster.paints.get(pass.dips[0]!.potId ?? '')?.kind === 'metallic', schools),
      ...ownWords(pass.step),
      brush: brushOf(pass.step),
      ifNeeded: pass.step.ifNeeded ?? false,
      trial: trialOf(unit.scheme, pass.step.id)?.models ?? null,
      coverage: pass.step.coverage,
      models: pass.models,
      dips: pass.dips.map((dip) => dipOf(pass, dip)),
      minutes: roster.minutesOf(unit, pass, { done: 0, models: pass.models.length, weight: pass.models.length }) * effortOf(pass),
      effort: effortOf(pass),
      like: likeOf(pass.step, roster.paints),
      after: hard
        .filter((rule) => rule.after === pass.key)
        .map(({ before, scope, lagMinutes, reason }) => ({ pass: places.get(before)!, scope, lagMinutes, reason: numberOf(reason) })),
    };
  });
}

function jobsOf(pass: BenchPass, unit: BenchUnit): BenchJob[] {
  return unit.trays
    .flatMap((tray) =>
      pass.dips.map((dip) => ({
        id: jobKey(pass.key, tray.number, dip.isUsual ? null : dip.potId),
        passKey: pass.key,
        unitId: unit.id,
        tray: tray.number,
        paintId: dip.potId,
        setupId: dip.setupId,
        lacksPaint: dip.lacksPaint,
        models: dip.models.filter((model) => tray.models.includes(model)),
      })),
    )
    .filter((job) => job.models.length > 0);
}

/** What a model is painted with under a pass; for none, or one that does not take it, what is usual. */
export const dipFor = ({ dips }: Pick<BenchPass, 'dips'>, model: number | undefined): BenchDip =>
  dips.find(({ models }) => model !== undefined && models.includes(model)) ?? dips[0]!;

/** What is written down with the work when it is begun. */
export const factsOfPass = (pass: BenchPass, dip: BenchDip, unit: BenchUnit, paintName: string | null): WorkFacts => ({
  commissionId: unit.commissionId,
  commission: unit.commission,
  unit: unit.name,
  part: pass.part ?? '',
  technique: pass.technique,
  ...(pass.own && { own: { name: pass.own.name } }),
  ...(pass.brush && { brush: pass.brush }),
  paintId: dip.potId,
  paint: paintName,
  size: unit.size,
  coverage: pass.coverage,
  dryMinutes: dip.dryMinutes,
  handleMinutes: dip.handleMinutes,
  minutes: pass.minutes,
  effort: pass.effort,
  factors: unit.factors,
  like: pass.like,
});
