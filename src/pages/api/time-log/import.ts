import { endpoint } from '../../../server/http/endpoint';
import { IMPORT_LIMIT_BYTES, importTimeLog, importTimeLogSchema } from '../../../server/timeLog/importTimeLog';

export const POST = endpoint(importTimeLogSchema, (input, { stores, now }) => importTimeLog(stores, input, now), {
  limitBytes: IMPORT_LIMIT_BYTES,
});
