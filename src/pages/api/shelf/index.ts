import { query } from '../../../server/http/endpoint';
import { loadShelf } from '../../../server/shelf/loadShelf';

/** The shelf; with `?of=` and the id of a commission, what that one takes of it. */
export const GET = query(({ stores, url, now }) => loadShelf(stores, now, url.searchParams.get('of')));
