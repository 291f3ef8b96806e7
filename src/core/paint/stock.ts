import type { MixAmount, PotUse, UnitAmounts } from './amounts';

/** A job of the plan that takes paint, with the moment (UTC ms) at which it begins; null where no sessions say when. */
export interface PlannedJob {
  unitId: string;
  passKey: string;
  potId: string | null;
  models: readonly number[];
  at: number | null;
}

/** Where a pot runs dry along the plan. */
export interface RunsDry {
  /** The job in whose middle nothing is left: an index into the jobs; null where it is work that stands on no plan yet. */
  job: number | null;
  at: number | null;
}

export interface PaintNeed {
  paintId: string;
  needMl: number;
  /** By the ids of the units. */
  byUnit: Map<string, number>;
  /** Null where what is left is enough, or nobody knows what is left. */
  dry: RunsDry | null;
  /** The first job that takes it; null where none is planned. */
  first: number | null;
}

/** What each pot of the shelf still has to give, by unit: the same sums as the units' own. */
function needsOf(units: ReadonlyMap<string, UnitAmounts>): Map<string, PaintNeed> {
  const needs = new Map<string, PaintNeed>();
  for (const [unitId, { paints }] of units)
    for (const [paintId, ml] of paints) {
      const need = needs.get(paintId) ?? { paintId, needMl: 0, byUnit: new Map<string, number>(), dry: null, first: null };
      need.needMl += ml;
      need.byUnit.set(unitId, ml);
      needs.set(paintId, need);
    }
  return needs;
}

/** Less than so much is no reason to buy a pot. */
export const NOTHING_ML = 1e-6;

/**
 * Goes along the plan and takes out of each pot what each job takes: a mix is made with its first job, for all of its unit. Says what is
 * needed of each paint, and on which job what is left of it (ml, by the ids of the paints) is used up.
 */
export function alongThePlan(
  units: ReadonlyMap<string, UnitAmounts>,
  jobs: readonly PlannedJob[],
  left: ReadonlyMap<string, number>,
): Map<string, PaintNeed> {
  const needs = needsOf(units);
  const taken = new Map<string, number>();
  const take = (paintId: string, ml: number, job: number | null) => {
    const need = needs.get(paintId);
    if (!need || ml <= 0) return;
    const sum = (taken.get(paintId) ?? 0) + ml;
    taken.set(paintId, sum);
    if (job !== null) need.first ??= job;
    const stock = left.get(paintId);
    if (stock !== undefined && sum > stock + NOTHING_ML) need.dry ??= { job, at: job === null ? null : jobs[job]!.at };
  };
  const makers = new Map([...units].map(([unitId, amounts]) => [unitId, new Maker(amounts)]));
  jobs.forEach((job, index) => makers.get(job.unitId)?.paint(job, (paint, ml) => take(paint, ml, index)));
  // What stands on no line, as a batch that waits for its test model.
  for (const maker of makers.values()) maker.rest((paint, ml) => take(paint, ml, null));
  return needs;
}

type Take = (paintId: string, ml: number) => void;

/** Takes what a unit needs out of the pots, job by job. */
class Maker {
  private readonly mixes: Map<string, MixAmount>;
  private readonly uses: Map<string, { use: PotUse; left: Set<number>; isBegun: boolean }>;
  private readonly made = new Set<string>();

  constructor(amounts: UnitAmounts) {
    this.mixes = new Map(amounts.mixes.map((mix) => [mix.potId, mix]));
    this.uses = new Map(amounts.uses.map((use) => [`${use.passKey} ${use.potId}`, { use, left: new Set(use.models), isBegun: false }]));
  }

  paint({ passKey, potId, models }: PlannedJob, take: Take): void {
    const known = this.uses.get(`${passKey} ${potId}`);
    if (!known) return;
    this.use(known, models, take);
  }

  rest(take: Take): void {
    for (const known of this.uses.values()) this.use(known, [...known.left], take);
  }

  private use(known: { use: PotUse; left: Set<number>; isBegun: boolean }, models: readonly number[], take: Take): void {
    const { use, left } = known;
    const painted = models.filter((model) => left.delete(model)).length;
    if (painted === 0) return;
    const mix = this.mixes.get(use.potId);
    if (mix) return this.make(mix, take);
    take(use.potId, (use.ml * painted) / use.models.length + (known.isBegun ? 0 : use.paletteMl));
    known.isBegun = true;
  }

  private make(amount: MixAmount, take: Take): void {
    if (this.made.has(amount.potId)) return;
    this.made.add(amount.potId);
    for (const [pot, ml] of amount.takes) {
      const parent = this.mixes.get(pot);
      if (parent) this.make(parent, take);
      else take(pot, ml);
    }
  }
}
