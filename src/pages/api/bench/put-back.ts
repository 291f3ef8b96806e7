import { object } from 'yup';
import { putBackLine } from '../../../server/bench/putOnBench';
import { endpoint } from '../../../server/http/endpoint';

export const POST = endpoint(object({}), (_input, { stores }) => putBackLine(stores));
