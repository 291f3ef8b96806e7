import { HOUR_MS } from '../../core/kernel/timeUnits';
import { setTimeout as pause } from 'node:timers/promises';
import { foldMarks, marksOn, mergeMarks } from '../../core/bench/replay/foldMarks';
import { NOTHING_IN_HAND } from '../../core/scheme/passes/setups';
import { type BenchMarks } from '../../core/bench/definitions';
import type { Finishing } from '../../core/finish/definitions';
import type { RosterUnit } from '../../core/plan/build/roster';
import { gated, type Paint } from '../../core/scheme/model/definitions';
import type { HouseRules } from '../../core/scheme/model/houseRules';
import { passesOf } from '../../core/scheme/passes/passes';
import { type Oddity, type StoredLogRow } from '../../core/log/definitions';
import type { TimeModel } from '../../core/time/definitions';
import { Mixer } from '../../core/colour/mixing';
import { withPots, type Pot } from '../../core/scheme/model/pots';
import { groupBy } from '../../core/kernel/groupBy';
import { learnSetupsInSteps, withSetups, type MeasuredSetup, type SetupEstimates } from '../../core/time/learn/setupTimes';
import { factorsOf, type StrayEstimates } from '../../core/time/learn/strayFactors';
import type { LearnedSpreads } from '../../data/stores/spreadStore';
import type { Spreads } from '../../core/time/fit/spreads';
import { Posterior } from '../../core/time/answer/Posterior';
import type { StoredCommission, StoredUnit } from '../../core/commission/definitions';
import { NotFoundError } from '../stores/errors';
import { announce } from '../running/announcements';
import { fitterOf } from '../work/fitters';
import { forAll } from '../running/givingUp';
import { memoKey, Memory } from '../running/Memory';
import { inSlices, letOthersIn } from '../running/inSlices';
import type { Stores } from '../stores/stores';

/** A unit as it is stored, with what its commission says of it. */
export type WorkUnit = StoredUnit & RosterUnit;

/** All that is open, as the views compute from it. */
export interface Workshop {
  /** What follows from it, worked out once. */
  memory: Memory;
  /** By date. */
  commissions: StoredCommission[];
  units: WorkUnit[];
  paints: ReadonlyMap<string, Paint>;
  /** The same with the mixes of the open schemes, by the ids of the pots. */
  pots: ReadonlyMap<string, Pot>;
  /** Knows the colours of mixes; what it has worked out is kept. */
  mixer: Mixer;
  /** As typed, but for what changes of setup take and how far work strays: that is learned. `typedHouse` is as typed. */
  house: HouseRules;
  typedHouse: HouseRules;
  setups: SetupEstimates;
  /** How far each technique strays, as touch-ups have taught. */
  strays: StrayEstimates;
  marks: BenchMarks;
  /** How the commissions end, where anything was said of it. */
  finishing: ReadonlyMap<string, Finishing>;
  log: StoredLogRow[];
  model: TimeModel;
  /** Rows of the log that look odd, by their ids. */
  odd: ReadonlyMap<string, Oddity>;
}

interface Kept {
  version: string;
  workshop: Promise<Workshop>;
}

const MIXER = memoKey<Mixer>('spectra of paints');
const KEPT = memoKey<Kept>('the workshop as it stands');

/** Read once for as long as nothing is written; rows of the log age by the hour, so that figures of a minute ago agree with those of now. */
export async function loadWorkshop(stores: Stores, now: Date): Promise<Workshop> {
  const hour = Math.floor(now.getTime() / HOUR_MS);
  const version = `${await stores.version()} ${hour}`;
  const { memory } = stores;
  const known = memory.get(KEPT);
  if (known?.version === version) return known.workshop;
  const workshop = forAll(() => readWorkshop(stores, new Date(hour * HOUR_MS)));
  memory.set(KEPT, { version, workshop });
  workshop.catch(() => memory.forget(KEPT));
  return workshop;
}

async function readWorkshop(stores: Stores, hour: Date): Promise<Workshop> {
  const commissions = await stores.commissions.listOpen();
  const stored = await stores.commissions.unitsOf(commissions.map((commission) => commission.id));
  const units = commissions.flatMap((commission) =>
    gated(stored.filter((unit) => unit.commissionId === commission.id)).map((unit) => workUnit(unit, commission)),
  );
  const log = await stores.timeLog.list(letOthersIn);
  await letOthersIn();
  const paints = new Map((await stores.paints.list()).map((paint) => [paint.id, paint]));
  const typed = await stores.houseRules.load();
  const mixer = stores.memory.once(MIXER, () => new Mixer());
  const pots = withPots(
    paints,
    units.map((unit) => unit.scheme),
    mixer,
  );
  const setups = await inSlices(learnSetupsInSteps(measuredSetups(log), pots, typed));
  const known = await stores.spreads.load();
  const strays = known?.strays ?? {};
  const house = { ...withSetups(typed, setups), strays: factorsOf(strays) };
  const { model, odd } = await learned(stores, log, hour, known);
  const marks = await marksOf(
    stores,
    units.map((unit) => unit.id),
  );
  return {
    memory: new Memory(),
    commissions,
    units,
    paints,
    pots,
    mixer,
    house,
    typedHouse: typed,
    setups,
    strays,
    finishing: await stores.finishing.ofCommissions(commissions.map((commission) => commission.id)),
    marks: marksOn(
      units.flatMap((unit) => passesOf(unit, unit.standard, house).map((pass) => pass.key)),
      marks,
    ),
    log,
    model,
    odd,
  };
}

interface LearnedOf {
  log: readonly StoredLogRow[];
  hour: number;
  learnedFrom: number;
}

/** What was learned from a log as it was at some hour. */
interface Learned extends LearnedOf {
  model: TimeModel;
  odd: ReadonlyMap<string, Oddity>;
}
const LEARNED = memoKey<Learned>('what the log has taught');
const isSame = (a: LearnedOf | undefined, b: LearnedOf): boolean =>
  a?.log === b.log && a.hour === b.hour && a.learnedFrom === b.learnedFrom;

/** The fit that goes on: taps meanwhile wait for the same one. */
const FITTING = memoKey<LearnedOf & { fit: Promise<Learned> }>('the fit that goes on');

/** So long a page waits for what was logged last; after that it goes by what was known before, and open windows are told when it is done. */
const PATIENCE_MS = 1000;

/** The same for as long as the log is. */
async function learned(stores: Stores, log: readonly StoredLogRow[], hour: Date, known: LearnedSpreads | null): Promise<Learned> {
  const of = { log, hour: hour.getTime(), learnedFrom: known?.rows ?? 0 };
  const last = stores.memory.get(LEARNED);
  if (last && isSame(last, of)) return last;
  const going = stores.memory.get(FITTING);
  const fit = going && isSame(going, of) ? going.fit : beginFit(stores, of, hour, known?.spreads);
  if (!last) return fit;
  const first = await Promise.race([fit, pause(PATIENCE_MS, last, { ref: false })]);
  if (first === last) void tellLater(stores, fit);
  return first;
}

function beginFit(stores: Stores, of: LearnedOf, hour: Date, spreads: Spreads | undefined): Promise<Learned> {
  const fit = fitterOf(stores)
    .fit(of.log, hour, spreads)
    .then(({ fitted, odd }) => {
      const next = { ...of, model: new Posterior(fitted), odd };
      stores.memory.set(LEARNED, next);
      return next;
    });
  stores.memory.set(FITTING, { ...of, fit });
  // One that failed is not waited for again.
  fit.catch(() => stores.memory.forget(FITTING));
  return fit;
}

async function tellLater(stores: Stores, fit: Promise<unknown>): Promise<void> {
  // One that fails is tried again by whoever asks next, and told the reason.
  await fit.catch(() => undefined);
  stores.memory.forget(KEPT);
  announce('changed');
}

const measuredSetups = (log: readonly StoredLogRow[]): MeasuredSetup[] =>
  log.flatMap(({ setupFrom, setupTo, setupMinutes, verdict, unitId }, index) =>
    setupFrom === null || setupTo === null || setupMinutes === null || verdict === 'left out'
      ? []
      : [
          {
            from: setupFrom,
            to: setupTo,
            minutes: setupMinutes,
            isFetched: setupFrom === NOTHING_IN_HAND || log[index - 1]?.unitId !== unitId,
          },
        ],
  );

export const workUnit = (unit: StoredUnit, commission: StoredCommission): WorkUnit => ({
  ...unit,
  commissionName: commission.name,
  standard: commission.standard,
});

interface UnitMarks {
  seq: number;
  marks: BenchMarks;
}
const MARKS = memoKey<Map<string, UnitMarks>>('marks of each unit');

/** What stands on the models of these units; only units that something happened to since are folded anew. */
async function marksOf(stores: Stores, unitIds: readonly string[]): Promise<BenchMarks> {
  const known = stores.memory.get(MARKS) ?? new Map<string, UnitMarks>();
  const seqs = await stores.bench.lastSeqOf(unitIds);
  const stale = [...seqs].filter(([unit, seq]) => known.get(unit)?.seq !== seq).map(([unit]) => unit);
  const byUnit = groupBy(await stores.bench.ofUnits(stale), (event) => event.unit!);
  const next = new Map(
    [...seqs].map(([unit, seq]): [string, UnitMarks] => [
      unit,
      byUnit.has(unit) ? { seq, marks: foldMarks(byUnit.get(unit)!) } : known.get(unit)!,
    ]),
  );
  stores.memory.set(MARKS, next);
  return mergeMarks([...next.values()].map(({ marks }) => marks));
}

/** A commission that is open, with its units. Closed ones are only in the Ledger until they are opened again. */
export async function findCommission(stores: Pick<Stores, 'commissions'>, id: string | undefined): Promise<StoredCommission> {
  const commission = await stores.commissions.find(id ?? '');
  if (!commission) throw new NotFoundError(`There is no commission ${id}: it may have been deleted, or made in another data folder.`);
  return commission;
}

export async function findOpenCommission(
  stores: Stores,
  id: string | undefined,
  now: Date,
): Promise<{ workshop: Workshop; commission: StoredCommission; units: WorkUnit[] }> {
  const commission = await findCommission(stores, id);
  if (commission.closedAt !== null) throw new NotFoundError(`${commission.name} is closed: open it again from the Ledger.`);
  const workshop = await loadWorkshop(stores, now);
  return { workshop, commission, units: workshop.units.filter((unit) => unit.commissionId === commission.id) };
}
