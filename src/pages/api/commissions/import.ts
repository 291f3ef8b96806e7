import { fileEndpoint } from '../../../server/http/endpoint';

const LIMIT_BYTES = 50_000_000;

export const POST = fileEndpoint('importCommission', (file) => file, { limitBytes: LIMIT_BYTES });
