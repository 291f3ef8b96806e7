import { expose } from 'comlink';
import { SPLIT_STEPS, tryTrays, type TrayChoice, type TrayScope } from '../../core/plan/choices/trayChoices';
import { rosterFrom, type TraysPicture } from '../../contract/trays';

export interface TraysRequest {
  picture: TraysPicture;
  unitId: string;
  limits: number[];
  scope: TrayScope;
}

const SEED = 1;

const trays = {
  /** Tells of each split as it is known. */
  tryAll: async ({ picture, unitId, limits, scope }: TraysRequest, tell: (choice: TrayChoice) => unknown): Promise<void> => {
    for (const choice of tryTrays(rosterFrom(picture), unitId, limits, scope, { seed: SEED, steps: SPLIT_STEPS }))
      // The last of them is heard before the end.
      await tell(choice);
  },
};

export type TraysWorker = typeof trays;
expose(trays);
