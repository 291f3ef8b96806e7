import type { UnitChoice } from './line';
import type { Selection } from '../core/plan/selection';
import type { Paint } from '../core/scheme/model/definitions';
import type { HouseRules } from '../core/scheme/model/houseRules';
import type { Roster, RosterUnit } from '../core/plan/build/roster';
import type { StepCurve } from '../core/time/definitions';
import { modelMinutes } from '../core/time/fit/learningCurve';

/** Everything the Trays view computes from; plain data, as JSON carries it. */
export interface TraysPicture {
  units: RosterUnit[];
  /** Change with every save of the commission, by commission. */
  revisions: [commissionId: string, revision: number][];
  selection: Selection;
  /** All units that are open, for choosing. */
  choices: UnitChoice[];
  paints: Paint[];
  house: HouseRules;
  /** What the log says of each pass. */
  passCurves: [passKey: string, curve: StepCurve][];
  /** Models painted already, by pass. */
  doneModels: [passKey: string, models: number[]][];
  isOnBench: boolean;
  /** Likely minutes of these units as every view shows them: in the painter's sessions, by the planned order. */
  plannedMinutes: number;
}

/** The roster that lines are built from. */
export function rosterFrom({ units, paints, house, passCurves, doneModels }: TraysPicture): Roster {
  const curves = new Map(passCurves);
  const done = new Map(doneModels.map(([passKey, models]) => [passKey, new Set(models)]));
  return {
    units,
    paints: new Map(paints.map((paint) => [paint.id, paint])),
    house,
    minutesOf: (_unit, pass, stretch) => modelMinutes(curves.get(pass.key)!, stretch),
    doneModels: (passKey) => done.get(passKey)!,
  };
}
