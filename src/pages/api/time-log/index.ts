import { download } from '../../../server/http/download';
import { query } from '../../../server/http/endpoint';
import { exportTimeLog } from '../../../server/ledger/loadLog';

export const GET = query(async ({ stores }) => download(await exportTimeLog(stores), 'time-log.csv', 'text/csv'));
