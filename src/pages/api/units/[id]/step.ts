import { changeStepAtBench, changeStepSchema } from '../../../../server/bench/changeStepAtBench';
import { endpoint } from '../../../../server/http/endpoint';

export const POST = endpoint(changeStepSchema, (input, { stores, params, now }) => changeStepAtBench(stores, params['id'], input, now));
