import { object } from 'yup';
import { takeBackCorrection } from '../../../../server/bench/adoptTime';
import { endpoint } from '../../../../server/http/endpoint';

export const POST = endpoint(object({}), (_input, { stores, params, now }) => takeBackCorrection(stores, params['id'], now));
