import { exportCommission } from '../../../../server/intake/exportCommission';
import { query } from '../../../../server/http/endpoint';
import { download } from '../../../../server/http/download';

export const GET = query(async ({ stores, params }) => {
  const { name, text } = await exportCommission(stores, params['id']);
  return download(text, `${name}.commission.json`, 'application/json');
});
