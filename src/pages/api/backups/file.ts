import { saveBackup } from '../../../server/backups/backups';
import { query } from '../../../server/http/endpoint';

export const GET = query(({ now }) => saveBackup(now));
