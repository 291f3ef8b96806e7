import type { BenchNote } from '../core/bench/definitions';
import type { BuildChoices } from '../core/scheme/authoring/buildChoices';
import { type Paint, type UnitEntry } from '../core/scheme/model/definitions';
import type { HouseRules } from '../core/scheme/model/houseRules';
import type { CommissionEstimate, PassEstimates } from '../core/commission/estimate';
import type { SchemeRevision } from '../core/commission/revisions';
import type { RemovedPiece } from '../core/scheme/model/removedPiece';
import type { StoredCommission, StoredUnit } from '../core/commission/definitions';

/** A unit as Intake edits it: with what of its scheme is decided while it is built. */
export type IntakeUnit = UnitEntry & BuildChoices;

/** What the Intake view is drawn from. */
export interface IntakePicture {
  commission: StoredCommission;
  units: StoredUnit[];
  /** Taken out, and can be put back. */
  removedUnits: StoredUnit[];
  estimate: CommissionEstimate;
  /** Ids of units whose models have been worked on: they are not dropped without a second thought. */
  startedUnits: string[];
  /** What was noted at the bench about its units, the latest first. */
  notes: BenchNote[];
}

/** Models painted under a pass: model, and the paint it carries. */
export interface PaintedModels {
  passKey: string;
  models: number[];
}

/** What the Scheme view is drawn from. */
export interface SchemePicture {
  commission: StoredCommission;
  units: StoredUnit[];
  paints: Paint[];
  house: HouseRules;
  estimate: PassEstimates;
  painted: PaintedModels[];
  /** A price is agreed or was put to the client. */
  hasPrice: boolean;
  /** Taken out of the schemes, and can be put back. */
  removed: RemovedPiece[];
  /** Of its units, the latest first. */
  revisions: SchemeRevision[];
}

/** What a scheme is after it was saved, and what units have now that are painted by the same one. */
export interface SavedScheme {
  revision: number;
  linked: Pick<StoredUnit, 'id' | 'scheme' | 'schemeRevision'>[];
}

/** A commission that units can be copied from. */
export interface EarlierCommission {
  id: string;
  name: string;
  units: { id: string; name: string; models: number }[];
}
