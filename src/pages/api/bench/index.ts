import { object } from 'yup';
import { loadBench } from '../../../server/bench/loadBench';
import { acceptChanges, putOnBench, putOnBenchSchema } from '../../../server/bench/putOnBench';
import { endpoint, query } from '../../../server/http/endpoint';

export const GET = query(({ stores, now }) => loadBench(stores, now));
export const PUT = endpoint(putOnBenchSchema, (input, { stores, now }) => putOnBench(stores, input, now));
export const POST = endpoint(object({}), (_input, { stores, now }) => acceptChanges(stores, now));
