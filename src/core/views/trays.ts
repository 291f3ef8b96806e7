import type { Paint, Standard, Unit } from '../scheme/definitions';
import type { HouseRules } from '../scheme/houseRules';
import type { Roster } from '../scheme/buildLine';

/** Everything the Trays view computes from; plain data, so that a worker can have it. */
export interface TraysPicture {
  units: Unit[];
  standard: Standard;
  /** Changes with every save of the commission. */
  revision: number;
  paints: ReadonlyMap<string, Paint>;
  house: HouseRules;
  /** Hands-on minutes of an ordinary model, by pass. */
  passMinutes: ReadonlyMap<string, number>;
  /** Models painted already, by pass. */
  doneModels: ReadonlyMap<string, ReadonlySet<number>>;
  hasOpenRun: boolean;
}

/** The roster that lines are built from. */
export const rosterFrom = ({ units, standard, paints, house, passMinutes, doneModels }: TraysPicture): Roster => ({
  units,
  standard,
  paints,
  house,
  minutesOf: (_unit, pass) => passMinutes.get(pass.key)!,
  doneModels: (passKey) => doneModels.get(passKey)!,
});
