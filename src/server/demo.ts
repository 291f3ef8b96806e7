import { boolean, object, type InferType } from 'yup';
import { ConflictError } from './errors';
import type { Stores } from './stores';

export const demoSchema = object({ here: boolean().strict().required() });

/** Fills an empty data folder with the demo, or empties one that holds nothing else. */
export async function setDemo(stores: Pick<Stores, 'demo'>, { here }: InferType<typeof demoSchema>, now: Date): Promise<void> {
  if (here) {
    if (!(await stores.demo.isEmpty()))
      throw new ConflictError('This data folder is not empty: see the demo with "npm run demo", which has a folder of its own.');
    await stores.demo.fill(now);
    return;
  }
  if (!(await stores.demo.isAllDemo()))
    throw new ConflictError('There are commissions of your own beside the demo: delete those of the demo one by one at Intake.');
  await stores.demo.clear();
}
