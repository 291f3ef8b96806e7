import { mixed } from 'yup';
import { endpoint } from '../../../server/http/endpoint';
import { addFileToLibrary } from '../../../server/schemes/library';

const LIMIT_BYTES = 4_000_000;

// Its format reads the file by a schema of its own.
export const POST = endpoint(mixed(), (input, { stores, now }) => addFileToLibrary(stores, input, now), { limitBytes: LIMIT_BYTES });
