import { query } from '../../../server/http/endpoint';
import { loadShelf } from '../../../server/shelf/loadShelf';

export const GET = query(({ stores, now }) => loadShelf(stores, now));
