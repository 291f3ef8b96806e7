import { object } from 'yup';
import { endpoint } from '../../../../server/http/endpoint';
import { removePaint } from '../../../../server/shelf/removePaint';

export const PUT = endpoint(object({}), (_input, { stores, params }) => removePaint(stores, params['id']));
