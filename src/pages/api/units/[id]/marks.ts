import { sayOfMarks, sayOfMarksSchema } from '../../../../server/bench/sayOfMarks';
import { endpoint } from '../../../../server/http/endpoint';

export const POST = endpoint(sayOfMarksSchema, (input, { stores, params, now }) => sayOfMarks(stores, params['id'], input, now));
