import { fileEndpoint } from '../../../server/http/endpoint';

/** About 100,000 rows. */
const LIMIT_BYTES = 20_000_000;
const isPreview = (url: URL) => url.searchParams.has('preview');

export const POST = fileEndpoint('importTimeLog', (file, url) => ({ file, confirm: !isPreview(url) }), {
  limitBytes: LIMIT_BYTES,
  writes: (url) => !isPreview(url),
});
