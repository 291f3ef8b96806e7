import { doneModels, mergeMarks, type Marks } from '../../core/bench/mergeMarks';
import { replayBench } from '../../core/bench/replayBench';
import type { Roster } from '../../core/scheme/buildLine';
import type { Paint, Unit } from '../../core/scheme/definitions';
import type { HouseRules } from '../../core/scheme/houseRules';
import type { Pass } from '../../core/scheme/passes';
import type { StepKind, TimeModel } from '../../core/time/definitions';
import { fitTimeModel } from '../../core/time/hierarchicalModel';
import type { StoredCommission, StoredEvent, StoredRun, StoredUnit } from '../../core/views/stored';
import { NotFoundError } from '../errors';
import type { Stores } from '../stores';

/** All that a view of one commission is computed from. */
export interface Picture {
  commission: StoredCommission;
  units: StoredUnit[];
  paints: ReadonlyMap<string, Paint>;
  house: HouseRules;
  runs: { run: StoredRun; events: StoredEvent[] }[];
  marks: Marks;
  model: TimeModel;
}

export async function findCommission(stores: Pick<Stores, 'commissions'>, id: string | undefined): Promise<StoredCommission> {
  const commission = await stores.commissions.find(id ?? '');
  if (!commission) throw new NotFoundError(`There is no commission ${id}: it may have been made in another data folder.`);
  return commission;
}

/** The time model of the log as it stands. */
export async function loadTimeModel(stores: Pick<Stores, 'timeLog'>, now: Date): Promise<TimeModel> {
  return fitTimeModel(await stores.timeLog.list(), now);
}

export async function loadPicture(stores: Stores, commissionId: string | undefined, now: Date, model?: TimeModel): Promise<Picture> {
  const commission = await findCommission(stores, commissionId);
  const runs = await Promise.all(
    (await stores.runs.listFor(commission.id)).map(async (run) => ({ run, events: await stores.runs.events(run.id) })),
  );
  return {
    commission,
    units: await stores.commissions.units(commission.id),
    paints: new Map((await stores.paints.list()).map((paint) => [paint.id, paint])),
    house: await stores.houseRules.load(),
    runs,
    marks: mergeMarks(runs.map(({ run, events }) => replayBench(run.jobs, events))),
    model: model ?? (await loadTimeModel(stores, now)),
  };
}

/** The kind of step a pass is, as the time log names it. */
export function stepKindOf(commissionName: string, unit: Pick<Unit, 'name' | 'size'>, pass: Pick<Pass, 'part' | 'step'>): StepKind {
  return {
    commission: commissionName,
    unit: unit.name,
    part: pass.part?.name ?? '',
    technique: pass.step.technique,
    size: unit.size,
    coverage: pass.step.coverage,
  };
}

export function rosterOf(picture: Picture, units: Unit[] = picture.units): Roster {
  const { commission, paints, house, marks, model } = picture;
  return {
    units,
    standard: commission.standard,
    paints,
    house,
    minutesOf: (unit, pass) => model.estimate(stepKindOf(commission.name, unit, pass)).p50,
    doneModels: (passKey) => doneModels(marks, passKey),
  };
}
