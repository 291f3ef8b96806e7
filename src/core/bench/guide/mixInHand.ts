import { MINUTE_MS } from '../../kernel/timeUnits';
import type { BenchMarks } from '../definitions';
import { SITTING_GAP_MINUTES } from '../replay/foldClock';
import type { BenchJob, BenchLine } from './benchLine';

/** Whether a mix has still to be made: `in use` since it was painted with or was said to have kept, `old` where that was another evening. */
export type MixInHand = { state: 'none' } | { state: 'in use' | 'old'; usedAt: number };

/** Where the mix that a job takes stands at `now` (UTC ms). */
export function mixInHand(
  line: Pick<BenchLine, 'passes'>,
  { marks, keptMixes }: Pick<BenchMarks, 'marks' | 'keptMixes'>,
  { unitId, paintId }: Pick<BenchJob, 'unitId' | 'paintId'>,
  now: number,
): MixInHand {
  const isOfMix = (setupId: string) => setupId.endsWith(`|${paintId}`);
  const used = line.passes
    .filter((pass) => pass.unitId === unitId)
    .flatMap(({ key }) => [...(marks.get(key)?.values() ?? [])])
    .flatMap(({ setupId, at, leftOut }) => (isOfMix(setupId) && !leftOut ? [at] : []));
  if (paintId === null || used.length === 0) return { state: 'none' };
  const usedAt = Math.max(...used, keptMixes.get(unitId)?.get(paintId) ?? -Infinity);
  return { state: now - usedAt > SITTING_GAP_MINUTES * MINUTE_MS ? 'old' : 'in use', usedAt };
}
