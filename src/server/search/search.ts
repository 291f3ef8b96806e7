import MiniSearch from 'minisearch';
import { object, type InferType } from 'yup';
import { requiredText } from '../../core/formats/fields';
import type { Found, SearchAnswer } from '../../contract/search';
import { logRowsWith } from '../ledger/loadLog';
import { memoKey } from '../running/Memory';
import type { Stores } from '../stores/stores';
import { loadWorkshop } from '../workshop/loadWorkshop';
import { entriesOf, type Entry } from './entries';

const MOST = 40;
const LONGEST = 100;
/** A word of so many letters may be off by one. */
const FUZZY_FROM = 5;

export const searchSchema = object({ words: requiredText('what to look for', LONGEST) });

interface Index {
  search: MiniSearch<Entry>;
  entries: ReadonlyMap<string, Entry>;
}

const INDEX = memoKey<Promise<Index>>('what can be looked for');

/** Whatever holds all the words, or words that begin so: what is called so first, then what else is said of it, then rows of the log. */
export async function search(stores: Stores, { words }: InferType<typeof searchSchema>, now: Date): Promise<SearchAnswer> {
  const workshop = await loadWorkshop(stores, now);
  const { search: index, entries } = await workshop.memory.once(INDEX, () => indexOf(stores, now));
  const hits = index.search(words, {
    prefix: true,
    fuzzy: (term) => (term.length >= FUZZY_FROM ? 1 : false),
    combineWith: 'AND',
    boost: { title: 4, detail: 2 },
  });
  const rows = await logRowsWith(stores, workshop, words);
  const inLog: Found[] =
    rows === 0
      ? []
      : [
          {
            kind: 'log',
            title: `${rows} ${rows === 1 ? 'row' : 'rows'} of the log with “${words.trim()}”`,
            detail: 'Ledger',
            href: `/ledger?words=${encodeURIComponent(words.trim())}`,
            hex: null,
          },
        ];
  const found = hits.map(({ id }) => shown(entries.get(id as string)!));
  return { found: [...found.slice(0, MOST), ...inLog], more: Math.max(0, found.length - MOST) };
}

const shown = ({ kind, title, detail, href, hex }: Entry): Found => ({ kind, title, detail, href, hex });

async function indexOf(stores: Stores, now: Date): Promise<Index> {
  const { commissions, units, pots } = await loadWorkshop(stores, now);
  const entries = entriesOf({
    open: commissions,
    closed: await stores.commissions.listClosed(),
    units,
    pots,
    shelf: await stores.paints.list(),
  });
  const index = new MiniSearch<Entry>({ fields: ['title', 'detail', 'words'], idField: 'id' });
  index.addAll(entries);
  return { search: index, entries: new Map(entries.map((each) => [each.id, each])) };
}
