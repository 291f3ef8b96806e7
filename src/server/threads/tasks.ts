import { importCommission } from '../intake/importCommission';
import { loadSharing, priceTwins } from '../plan/loadSharing';
import type { Quote } from '../../core/money/definitions';
import { setDemo } from '../starting/setDemo';
import type { TaskName, Tasks } from '../work/tasks';
import { loadHandOverSheet } from '../finish/loadHandOverSheet';
import { loadPackingList } from '../finish/loadPackingList';
import { loadStatement } from '../money/loadStatement';
import { loadLegSheet } from '../plan/loadLegSheet';
import { loadShelf } from '../shelf/loadShelf';
import { loadSets } from '../plan/loadSets';
import { readJson } from '../../core/formats/readJson';
import { decodeText } from '../text/decodeText';
import { importTimeLog } from '../ledger/importTimeLog';
import { foretell } from '../ledger/foretell';
import { learnSpreads } from '../ledger/learnSpreads';
import type { Stores } from '../stores/stores';

/** What takes long: each runs in a thread with a connection of its own, so that every page goes on answering. */
export const tasks = {
  importCommission: (stores: Stores, file: Uint8Array, now: Date) =>
    importCommission(
      stores,
      readJson(decodeText(file, 'the file'), 'the file', 'choose a commission file that Neat Relay has written'),
      now,
    ),
  importTimeLog: (stores: Stores, { file, confirm }: { file: Uint8Array; confirm: boolean }, now: Date) =>
    importTimeLog(stores, { csv: decodeText(file, 'the file'), confirm }, now),
  legSheet: async (stores: Stores, input: Parameters<typeof loadLegSheet>[1], now: Date) => {
    // Other tasks do not wait for what draws documents.
    const [{ legSheetDocument }, { toPdf }] = await Promise.all([import('../../print/legSheet'), import('../../print/pdf')]);
    return toPdf(legSheetDocument(await loadLegSheet(stores, input, now)));
  },
  quotePdf: async (stores: Stores, quote: Quote, _now: Date) => {
    const [{ quoteDocument }, { toPdf }] = await Promise.all([import('../../print/quote'), import('../../print/pdf')]);
    return toPdf(quoteDocument(quote, (await stores.houseRules.load()).painter));
  },
  statementPdf: async (stores: Stores, id: string, now: Date) => {
    const [{ statementDocument }, { toPdf }] = await Promise.all([import('../../print/statement'), import('../../print/pdf')]);
    return toPdf(statementDocument(await loadStatement(stores, id, now), (await stores.houseRules.load()).painter));
  },
  handOverPdf: async (stores: Stores, { id, isShort }: { id: string; isShort: boolean }, now: Date) => {
    const [{ handOverDocument }, { toPdf }] = await Promise.all([import('../../print/handOver'), import('../../print/pdf')]);
    return toPdf(handOverDocument(await loadHandOverSheet(stores, id, now), isShort));
  },
  packingPdf: async (stores: Stores, id: string, now: Date) => {
    const [{ packingDocument }, { toPdf }] = await Promise.all([import('../../print/packingList'), import('../../print/pdf')]);
    return toPdf(packingDocument(await loadPackingList(stores, id, now)));
  },
  buyingPdf: async (stores: Stores, { of }: { of: string | null }, now: Date) => {
    const [{ buyingDocument }, { toPdf }] = await Promise.all([import('../../print/buying'), import('../../print/pdf')]);
    return toPdf(buyingDocument(await loadShelf(stores, now, of), now));
  },
  learnSpreads: (stores: Stores, _input: null, _now: Date) => learnSpreads(stores),
  foretell: (stores: Stores, _input: null, _now: Date) => foretell(stores),
  lineSets: loadSets,
  sharing: loadSharing,
  priceTwins,
  setDemo: async (stores: Stores, input: { here: boolean }, now: Date) => {
    await setDemo(stores, input, now);
    return null;
  },
} satisfies { [T in TaskName]: (stores: Stores, input: Tasks[T]['input'], now: Date) => Promise<Tasks[T]['result']> };
