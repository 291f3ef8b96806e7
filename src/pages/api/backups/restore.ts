import { restoreCopy, restoreFile } from '../../../server/backups/backups';
import { unopened } from '../../../server/http/endpoint';

/** With `copy`, one of the copies in the data folder; else the file sent. */
export const POST = unopened(({ url, request, now }) => {
  const copy = url.searchParams.get('copy');
  return copy === null ? restoreFile(request.body, now) : restoreCopy(copy, now);
});
