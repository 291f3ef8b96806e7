import { object } from 'yup';
import { endpoint } from '../../../../server/http/endpoint';
import { removeOtherWork } from '../../../../server/bench/otherWork';

export const PUT = endpoint(object({}), (_input, { stores, params }) => removeOtherWork(stores, params['id']));
