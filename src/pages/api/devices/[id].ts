import { boolean, object } from 'yup';
import { turnAway } from '../../../server/http/devices';
import { endpoint } from '../../../server/http/endpoint';

export const PUT = endpoint(object({ revoked: boolean().oneOf([true]).required() }), async (_, { params }) => turnAway(params['id']!), {
  tells: null,
});
