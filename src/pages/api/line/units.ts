import { endpoint } from '../../../server/http/endpoint';
import { layLine, layLineSchema } from '../../../server/plan/layLine';

export const PUT = endpoint(layLineSchema, (input, { stores, now }) => layLine(stores, input, now), { tells: 'wanted' });
