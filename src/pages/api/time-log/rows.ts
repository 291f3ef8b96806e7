import { parse } from '../../../core/formats/fields';
import { query } from '../../../server/http/endpoint';
import { loadLogPage, logPageSchema } from '../../../server/ledger/loadLog';

export const GET = query(({ stores, url, now }) =>
  loadLogPage(
    stores,
    parse(logPageSchema, {
      page: Number(url.searchParams.get('page') ?? 0),
      filter: url.searchParams.get('filter') ?? 'all',
      commission: url.searchParams.get('commission'),
      words: url.searchParams.get('words') ?? '',
      by: url.searchParams.get('by'),
      down: url.searchParams.get('down') === 'yes',
    }),
    now,
  ),
);
