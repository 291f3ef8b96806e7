import type { UnitChoice } from './line';
import type { Selection } from './selection';
import type { Paint } from '../scheme/definitions';
import type { HouseRules } from '../scheme/houseRules';
import type { Roster, RosterUnit } from '../scheme/buildLine';

/** Everything the Trays view computes from; plain data, so that a worker can have it. */
export interface TraysPicture {
  units: RosterUnit[];
  /** Change with every save of the commission, by commission. */
  revisions: ReadonlyMap<string, number>;
  selection: Selection;
  /** All units that are open, for choosing. */
  choices: UnitChoice[];
  paints: ReadonlyMap<string, Paint>;
  house: HouseRules;
  /** Hands-on minutes of an ordinary model, by pass. */
  passMinutes: ReadonlyMap<string, number>;
  /** Models painted already, by pass. */
  doneModels: ReadonlyMap<string, ReadonlySet<number>>;
  isOnBench: boolean;
  /** Likely minutes of these units as every view shows them: in the painter's sessions, by the planned order. */
  plannedMinutes: number;
}

/** The roster that lines are built from. */
export const rosterFrom = ({ units, paints, house, passMinutes, doneModels }: TraysPicture): Roster => ({
  units,
  paints,
  house,
  minutesOf: (_unit, pass) => passMinutes.get(pass.key)!,
  doneModels: (passKey) => doneModels.get(passKey)!,
});
