import { endpoint, query } from '../../../server/http/endpoint';
import { keepInLibrary, keepSchema, loadLibrary } from '../../../server/schemes/library';

export const GET = query(({ stores, now }) => loadLibrary(stores, now));
export const POST = endpoint(keepSchema, (input, { stores, now }) => keepInLibrary(stores, input, now));
