import { parse } from '../../core/formats/fields';
import { demoSchema } from '../../server/demo';
import { fileEndpoint } from '../../server/http/endpoint';
import { readJson } from '../../server/http/readJson';
import { decodeText } from '../../server/text/decodeText';

const LIMIT_BYTES = 1000;

export const PUT = fileEndpoint('setDemo', (body) => parse(demoSchema, readJson(decodeText(body, 'the request'))), {
  limitBytes: LIMIT_BYTES,
});
