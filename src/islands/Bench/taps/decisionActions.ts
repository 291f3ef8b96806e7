import type { BenchPass } from '../../../core/bench/guide/benchLine';
import type { Decision } from '../../../core/bench/guide/decisions';
import type { Verdict } from '../../../core/scheme/authoring/trial';
import type { NewEvent } from '../../client/taps/useOutbox';
import { placeOf, type Hands, type TappedBench } from './tapped';

/** What is decided at the bench: marks are the log's, pots and coats the scheme's. */
export function decisionActions({ view }: Pick<TappedBench, 'view'>, { record, changeScheme }: Hands) {
  const changeStep = (changed: BenchPass, change: { coats?: number; pot?: string; keeps: boolean }) =>
    changeScheme('POST', `/api/units/${changed.unitId}/step`, { step: changed.stepId, ...change });
  /** Some models try another pot, or what was tried is decided for all. */
  const trial = (method: 'POST' | 'PUT', tried: BenchPass, of: { pot: string; models: number[] } | { verdict: Verdict }) =>
    changeScheme(method, `/api/units/${tried.unitId}/trial`, { step: tried.stepId, ...of });
  return {
    /** What was decided of models; another coat is a change of the scheme. */
    decide: ({ kind, models, passes: changed }: Decision) => {
      const [first] = changed;
      if (kind === 'start over') record(...changed.map((each): NewEvent => ({ kind: 'reopened', ...placeOf(each), models })));
      else if (kind === 'not this session') record({ kind: 'put-off', ...placeOf(first!) });
      else if (kind === 'leave out' || kind === 'leave out the rest') record({ kind: 'left-out', ...placeOf(first!), models });
      else changeStep(first!, { coats: first!.coats + (kind === 'a coat less' ? -1 : 1), keeps: kind === 'another coat on the rest' });
    },
    /** They get the pass after all. */
    takeBack: (without: BenchPass, models: number[]) => record({ kind: 'reopened', ...placeOf(without), models }),
    /** What was said of those that carry the other pot is noted of those that get this one. */
    takePot: (changed: BenchPass, pot: string, note: string) => {
      if (note !== '' && view.job) record({ kind: 'noted', ...placeOf(changed), models: view.readiness.openModels(view.job), note });
      changeStep(changed, { pot, keeps: true });
    },
    tryPot: (tried: BenchPass, pot: string, models: number[]) => trial('POST', tried, { pot, models }),
    settleTrial: (tried: BenchPass, verdict: Verdict) => trial('PUT', tried, { verdict }),
  };
}
