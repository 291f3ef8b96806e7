import { SPLIT_STEPS, tryTrays, type TrayChoice, type TrayScope } from '../../core/plan/choices/trayChoices';
import { rosterFrom, type TraysPicture } from '../../contract/trays';

export interface TraysRequest {
  picture: TraysPicture;
  unitId: string;
  limits: number[];
  scope: TrayScope;
}

const SEED = 1;

/** Answers with each split as it is known, then with null. */
addEventListener('message', ({ data }: MessageEvent<TraysRequest>) => {
  const roster = rosterFrom(data.picture);
  for (const choice of tryTrays(roster, data.unitId, data.limits, data.scope, { seed: SEED, steps: SPLIT_STEPS }))
    postMessage(choice satisfies TrayChoice | null);
  postMessage(null);
  close();
});
