import type { GatedUnit, Standard } from '../../scheme/model/definitions';
import type { HouseRules } from '../../scheme/model/houseRules';
import type { Pass } from '../../scheme/passes/passes';
import type { Pot } from '../../scheme/model/pots';
import type { StretchAhead } from '../../scheme/passes/stretchAhead';

/** A unit with what its commission says of it. */
export interface RosterUnit extends GatedUnit {
  commissionId: string;
  commissionName: string;
  /** What the client pays for. */
  standard: Standard;
}

/** What a line is built from: units of one commission or of several. */
export interface Roster {
  units: RosterUnit[];
  /** The shelf, with the mixes of these units among it. */
  paints: ReadonlyMap<string, Pot>;
  house: HouseRules;
  /** Hands-on minutes of one ordinary model for a pass, on average over a stretch of it. */
  minutesOf: (unit: RosterUnit, pass: Pass, stretch: StretchAhead) => number;
  /** Models of a pass that are painted already. */
  doneModels: (passKey: string) => ReadonlySet<number>;
}
