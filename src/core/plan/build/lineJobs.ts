import type { Half } from '../../scheme/model/halves';
import type { Moment } from '../../scheme/model/moments';
import type { Size } from '../../scheme/model/definitions';
import type { OwnTechnique, Technique } from '../../scheme/model/techniques';
import type { UnitTray } from '../../scheme/passes/splitTrays';

/** A job of the line in the painter's terms. */
export interface JobInfo {
  id: string;
  passKey: string;
  commissionId: string;
  commissionName: string;
  unitId: string;
  unitName: string;
  size: Size;
  trayId: string;
  /** Null for a step that goes over everything. */
  partName: string | null;
  technique: Technique;
  /** Left out for a shipped technique. */
  own?: Pick<OwnTechnique, 'name' | 'caution'>;
  moment: Moment;
  /** Id of a paint or a mix. */
  paintId: string | null;
  setupId: string;
  coat: number;
  coats: number;
  half: Half | null;
  coverage: number;
  /** Models of the unit still to paint, 1-based. */
  models: number[];
  /** Minutes for each of them. */
  minutes: number[];
  dryMinutes: number;
  /** How what is on the brush is made and used, in words. */
  recipe: string[];
}

/** Hands-on minutes of all the models of a job. */
export const jobMinutes = (job: Pick<JobInfo, 'minutes'>): number => job.minutes.reduce((sum, minutes) => sum + minutes, 0);

export interface TrayInfo extends UnitTray {
  unitName: string;
}

/** Why one job stands before another; hard rules only, as they are in the problem. */
export interface OrderReason {
  before: string;
  after: string;
  reason: string;
}
