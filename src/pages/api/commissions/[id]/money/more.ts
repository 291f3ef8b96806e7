import { query } from '../../../../../server/http/endpoint';
import { loadMoreModels } from '../../../../../server/money/loadMoney';

export const GET = query(({ stores, params, url, now }) =>
  loadMoreModels(
    stores,
    params['id'],
    { unitId: url.searchParams.get('unit') ?? '', more: Number(url.searchParams.get('more') ?? Number.NaN) },
    now,
  ),
);
