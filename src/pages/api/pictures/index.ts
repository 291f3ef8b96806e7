import { addPicture, loadPictures } from '../../../server/intake/pictures';
import { bytesEndpoint, query } from '../../../server/http/endpoint';

const LIMIT_BYTES = 25_000_000;

export const GET = query(({ stores, url }) => loadPictures(stores, url.searchParams));
export const POST = bytesEndpoint((file, { stores, url, now }) => addPicture(stores, file, url.searchParams, now), {
  limitBytes: LIMIT_BYTES,
});
