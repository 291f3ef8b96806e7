import { learnSpreadsOf } from '../../core/time/learn/fitTimeModel';
import { learnedFrom } from '../../core/time/learn/learnedFrom';
import type { LearnedSpreads } from '../../data/stores/spreadStore';
import type { Stores } from '../stores/stores';
import { learnStrays, type StrayStores } from './learnStrays';
import { inSlices } from '../running/inSlices';

/** Learning looks at so many rows at most, the latest of those it may: more of them teach no more about how much things differ. */
const MOST_ROWS = 3000;

type Learning = Pick<Stores, 'timeLog' | 'spreads'>;

/** Whether the log has grown so much that its spreads should be learned anew. */
export async function isToLearn({ timeLog, spreads }: Learning): Promise<boolean> {
  return learnedFrom(await timeLog.count()) !== ((await spreads.load())?.rows ?? 0);
}

/**
 * Learns how much techniques, units, steps and stretches differ, and how far work strays, from rows whose number follows from the length
 * of the log; null of a short one.
 */
export async function learnSpreads(stores: Pick<Stores, 'timeLog'> & StrayStores): Promise<LearnedSpreads | null> {
  const log = await stores.timeLog.list();
  const rows = learnedFrom(log.length);
  if (rows === 0) return null;
  const now = new Date(log[rows - 1]!.startedAt);
  return {
    rows,
    spreads: await inSlices(learnSpreadsOf(log.slice(Math.max(0, rows - MOST_ROWS), rows), now)),
    strays: await learnStrays(stores, log.slice(0, rows), now.getTime()),
  };
}
