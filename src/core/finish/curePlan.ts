import { DAY_MS, MINUTE_MS } from '../kernel/timeUnits';
import type { BenchMarks, Mark } from '../bench/definitions';
import type { Roster, RosterUnit } from '../plan/build/roster';
import { dryMinutesOf } from '../plan/build/buildLine';
import { momentOf } from '../scheme/model/momentOf';
import { momentOrder } from '../scheme/model/moments';
import { schoolsOf } from '../scheme/model/schoolsOf';
import { cautionOf, factsOf, labelOf } from '../scheme/model/techniques';
import { modelsOf } from '../scheme/model/definitions';
import { placeWords } from '../scheme/model/workWords';
import { allModels } from '../scheme/model/whoTakes';
import { passesOf, type Pass } from '../scheme/passes/passes';

/** A varnish keeps so long from being sealed under another kind or packed, whatever its label says of touching it. */
export const CURE_MS = DAY_MS;

/** A coat of varnish, or of what is put on after it. */
export interface SealStep {
  passKey: string;
  what: string;
  /** Parts it lies on, or everything. */
  where: string;
  paintId: string | null;
  paint: string | null;
  isVarnish: boolean;
  models: number;
  painted: number;
  dryMinutes: number;
  /** The last of the models that are painted, UTC ms; null while none is. */
  paintedAt: number | null;
  /** When the last of them can be picked up, painted over, and covered by another kind or packed. */
  handleAt: number | null;
  dryAt: number | null;
  curedAt: number | null;
}

/** When a unit can be taken up, and packed. */
export interface UnitCure {
  unitId: string;
  name: string;
  models: number;
  /** In the order they are put on. */
  seals: SealStep[];
  /** All of the unit that is painted can be picked up from then on, UTC ms; 0 when it can be now and ever could. */
  handleAt: number;
  /** Models on which something under the varnish was mended after it was put on: the spot is bare. */
  bareAgain: number[];
  /** Spots that are not mended yet. */
  misses: number;
  /** When it can be packed, UTC ms; null while something is not painted or not mended. */
  packAt: number | null;
  /** Days that varnish which is not on yet will have to cure. */
  cureDaysAhead: number;
  hasVarnish: boolean;
  /** Paste on the base that nothing seals: it sheds on the way. */
  hasLoosePaste: boolean;
  /** Powders that no varnish covers: they come off under fingers. */
  hasLoosePowder: boolean;
}

const at = (mark: Mark, minutes: number): number => mark.at + minutes * MINUTE_MS;
const latest = (moments: readonly number[]): number | null => (moments.length === 0 ? null : Math.max(...moments));
const painted = (marks: BenchMarks['marks'], { key, models }: Pick<Pass, 'key' | 'models'>): Mark[] =>
  models.flatMap((model) => marks.get(key)?.get(model) ?? []).filter(({ leftOut }) => !leftOut);

/** What seals a unit, what is put on after it, and when the models can be taken up and packed. */
export function cureOf(
  unit: RosterUnit,
  { marks }: Pick<BenchMarks, 'marks'>,
  { paints, house }: Pick<Roster, 'paints' | 'house'>,
): UnitCure {
  const schools = schoolsOf(unit, house);
  const order = momentOrder(schools);
  const passes = passesOf(unit, unit.standard, house);
  const momentAt = (pass: Pass) => order.indexOf(momentOf(pass.step, paints.get(pass.dips[0]!.potId ?? '')?.kind === 'metallic', schools));
  const sealing = passes
    .filter((pass) => pass.step.technique === 'varnish' || momentAt(pass) === order.indexOf('sealed'))
    .sort((a, b) => momentAt(a) - momentAt(b));
  const seals = sealing.map((pass): SealStep => {
    const { potId } = pass.dips[0]!;
    const isVarnish = pass.step.technique === 'varnish';
    const done = painted(marks, pass);
    const dryMinutes = dryMinutesOf(pass.step, potId, { paints, house });
    const dry = latest(done.map((mark) => at(mark, mark.dryMinutes)));
    return {
      passKey: pass.key,
      what: labelOf(pass.step),
      where: placeWords(pass.where),
      paintId: potId,
      paint: paints.get(potId ?? '')?.name ?? null,
      isVarnish,
      models: pass.models.length,
      painted: done.length,
      dryMinutes,
      paintedAt: latest(done.map((mark) => mark.at)),
      handleAt: latest(done.map((mark) => at(mark, mark.handleMinutes))),
      dryAt: dry,
      curedAt: isVarnish ? latest(done.map((mark) => Math.max(mark.at + CURE_MS, at(mark, mark.dryMinutes)))) : dry,
    };
  });
  const marked = passes.flatMap((pass) => painted(marks, pass));
  const markOf = (pass: Pass, model: number) => marks.get(pass.key)?.get(model);
  const isBare = (model: number) =>
    sealing.some((seal) => {
      const put = seal.step.technique === 'varnish' ? markOf(seal, model) : undefined;
      const later = (pass: Pass) => momentAt(pass) < momentAt(seal) && (markOf(pass, model)?.at ?? 0) > put!.at;
      return put !== undefined && !put.leftOut && passes.some(later);
    });
  const bareAgain = allModels(unit).filter(isBare);
  const misses = passes.reduce(
    (sum, pass) => sum + pass.models.filter((model) => (markOf(pass, model)?.missed ?? null) !== null).length,
    0,
  );
  const isDone =
    misses === 0 && passes.length > 0 && passes.every(({ key, models }) => models.every((model) => marks.get(key)?.has(model)));
  const dry = latest(marked.map((mark) => at(mark, mark.dryMinutes))) ?? 0;
  const has = (technique: Pass['step']['technique']) => passes.some(({ step }) => step.technique === technique);
  const varnishes = passes.filter(({ step }) => step.technique === 'varnish');
  const ahead = varnishes.filter((pass) => painted(marks, pass).length < pass.models.length);
  const lastVarnish = Math.max(-1, ...varnishes.map(momentAt));
  return {
    unitId: unit.id,
    name: unit.name,
    models: modelsOf(unit),
    seals,
    handleAt: latest(marked.map((mark) => at(mark, mark.handleMinutes))) ?? 0,
    bareAgain,
    misses,
    packAt: isDone ? Math.max(dry, ...seals.map(({ curedAt }) => curedAt ?? 0)) : null,
    cureDaysAhead: new Set(ahead.map(({ dips }) => dips[0]!.potId)).size,
    hasVarnish: varnishes.length > 0,
    hasLoosePaste: has('texture') && !has('seal') && varnishes.length === 0,
    hasLoosePowder: passes.some((pass) => pass.step.technique === 'pigment' && momentAt(pass) > lastVarnish),
  };
}

/** Units that are sprayed with the same can in one session. */
export interface SprayTogether {
  paintId: string | null;
  paint: string | null;
  what: string;
  caution: string | null;
  units: { unitId: string; name: string; commission: string; models: number; waitsFor: number; holders: number }[];
  models: number;
  /** How often the holders are filled. */
  holders: number;
}

/** What is still to be sprayed of all units, by what is in the can: the cans that most models take first. */
export function sprayTogether(
  units: readonly RosterUnit[],
  { marks }: Pick<BenchMarks, 'marks'>,
  { paints, house }: Pick<Roster, 'paints' | 'house'>,
): SprayTogether[] {
  const cans = new Map<string, SprayTogether>();
  for (const unit of units) {
    const order = momentOrder(schoolsOf(unit, house));
    const passes = passesOf(unit, unit.standard, house);
    const momentAt = (pass: Pass) => order.indexOf(momentOf(pass.step, false, schoolsOf(unit, house)));
    for (const pass of passes) {
      if (factsOf(pass.step.technique).hand !== 'spray') continue;
      const left = pass.models.filter((model) => !marks.get(pass.key)?.has(model));
      if (left.length === 0) continue;
      const { potId } = pass.dips[0]!;
      const key = `${pass.step.technique} ${potId ?? ''}`;
      const can: SprayTogether = cans.get(key) ?? {
        paintId: potId,
        paint: paints.get(potId ?? '')?.name ?? null,
        what: labelOf(pass.step),
        caution: cautionOf(pass.step, paints.get(potId ?? '')?.kind ?? null),
        units: [],
        models: 0,
        holders: 0,
      };
      const isUnder = (other: Pass) => momentAt(other) < momentAt(pass);
      const waitsFor = left.filter((model) =>
        passes.some((other) => isUnder(other) && other.models.includes(model) && !marks.get(other.key)?.has(model)),
      ).length;
      const holders = Math.ceil(left.length / house.holderModels[unit.size]);
      can.units.push({ unitId: unit.id, name: unit.name, commission: unit.commissionName, models: left.length, waitsFor, holders });
      can.models += left.length;
      can.holders += holders;
      cans.set(key, can);
    }
  }
  return [...cans.values()].sort((a, b) => b.models - a.models);
}
