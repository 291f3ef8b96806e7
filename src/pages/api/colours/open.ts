import { loadOpenPot } from '../../../server/bench/loadOpenPot';
import { query } from '../../../server/http/endpoint';

export const GET = query(({ stores, url, now }) => loadOpenPot(stores, url.searchParams.get('pot') ?? '', now));
