import type { BenchJob } from '../../../core/bench/guide/benchLine';
import { shareOut, type OpenStage } from '../../../core/bench/guide/openStages';
import type { NewEvent } from '../../client/taps/useOutbox';
import { likelyMinutes } from '../likelyMinutes';
import { factsOf, type Hands, type TappedBench } from './tapped';

/** What was painted away from the bench, and is told afterwards. */
export function tickActions(bench: Pick<TappedBench, 'passes' | 'units' | 'figures' | 'factsFor'>, { record }: Pick<Hands, 'record'>) {
  const { passes, units, figures } = bench;
  return {
    /** Models that were painted and not ticked, from the leg sheet say; minutes are null where nobody knows them. */
    tickOff: (ticked: BenchJob, models: number[], minutes: number | null) =>
      record({ kind: 'done', ...factsOf(bench, passes.get(ticked.passKey)!, models), models, minutes: minutes ?? 0 }),
    /** All of a stage that was painted and not ticked; what is planned for each job says what it has of the minutes. */
    tickStage: ({ jobs }: OpenStage, minutes: number | null) => {
      const planned = jobs.map((each) => likelyMinutes({ figures, units }, passes.get(each.job.passKey)!, each.models));
      const told = shareOut(minutes, planned);
      record(
        ...jobs.map(({ job: ticked, models }, at): NewEvent => ({
          kind: 'done',
          ...factsOf(bench, passes.get(ticked.passKey)!, models),
          models,
          minutes: told[at]!,
        })),
      );
    },
  };
}
