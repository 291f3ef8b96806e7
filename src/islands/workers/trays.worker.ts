import { tryTrays, type TrayChoice, type TrayScope } from '../../core/scheme/trayChoices';
import { rosterFrom, type TraysPicture } from '../../core/views/trays';

export interface TraysRequest {
  picture: TraysPicture;
  unitId: string;
  limits: number[];
  scope: TrayScope;
}

const SEED = 1;
/** Moves judged for each split: enough for a hundred jobs to settle within a minute or two of their best. */
const STEPS = 40_000;

/** Answers with each split as it is known, then with null. */
addEventListener('message', ({ data }: MessageEvent<TraysRequest>) => {
  const roster = rosterFrom(data.picture);
  for (const choice of tryTrays(roster, data.unitId, data.limits, data.scope, { seed: SEED, steps: STEPS }))
    postMessage(choice satisfies TrayChoice | null);
  postMessage(null);
  close();
});
