import { object } from 'yup';
import { endpoint } from '../../../../../server/http/endpoint';
import { forgetSeen } from '../../../../../server/shelf/seenMixes';

export const PUT = endpoint(object({}), (_input, { stores, params }) => forgetSeen(stores, params['id']));
