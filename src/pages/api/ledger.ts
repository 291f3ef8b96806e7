import { query } from '../../server/http/endpoint';
import { loadLog } from '../../server/ledger/loadLog';

export const GET = query(({ stores, now }) => loadLog(stores, now));
