import { object } from 'yup';
import { endpoint } from '../../../../server/http/endpoint';
import { removeExtra } from '../../../../server/money/extras';

export const PUT = endpoint(object({}), (_input, { stores, params }) => removeExtra(stores, params['id']));
