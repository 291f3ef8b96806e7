import { object } from 'yup';
import { endpoint } from '../../../../../server/http/endpoint';
import { forgetLevel } from '../../../../../server/shelf/potLevels';

export const PUT = endpoint(object({}), (_input, { stores, params }) => forgetLevel(stores, params['id']));
