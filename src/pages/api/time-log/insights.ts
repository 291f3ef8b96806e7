import { query } from '../../../server/http/endpoint';
import { loadInsights } from '../../../server/ledger/loadInsights';

export const GET = query(({ stores, now }) => loadInsights(stores, now));
