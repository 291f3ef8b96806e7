import { NotFoundError } from '../../../server/stores/errors';
import { download } from '../../../server/http/download';
import { query } from '../../../server/http/endpoint';

export const GET = query(async ({ stores, params }) => {
  const mail = await stores.testRounds.mail(params['id'] ?? '');
  if (!mail) throw new NotFoundError(`There is no letter ${params['id']}: it may have been written in another data folder.`);
  return download(mail.eml, `${mail.subject}.eml`, 'message/rfc822');
});
