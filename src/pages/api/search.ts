import { parse } from '../../core/formats/fields';
import { query } from '../../server/http/endpoint';
import { search, searchSchema } from '../../server/search/search';

export const GET = query(({ stores, url, now }) =>
  search(stores, parse(searchSchema, { words: url.searchParams.get('words') ?? '' }), now),
);
