import { demoSchema, setDemo } from '../../server/demo';
import { endpoint } from '../../server/http/endpoint';

export const PUT = endpoint(demoSchema, (input, { stores, now }) => setDemo(stores, input, now));
