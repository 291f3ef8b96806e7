import { takeUpLine, takeUpSchema } from '../../../../server/bench/takeUpLine';
import { endpoint } from '../../../../server/http/endpoint';

export const POST = endpoint(takeUpSchema, (input, { stores, params, now }) => takeUpLine(stores, params['id'], input, now));
