import { object } from 'yup';
import { endpoint } from '../../../server/http/endpoint';
import { stopOtherWork } from '../../../server/bench/otherWork';

export const POST = endpoint(object({}), (_input, { stores, now }) => stopOtherWork(stores, now));
