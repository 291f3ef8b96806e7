import type { NewId } from '../../kernel/ids';
import { mapSteps } from '../model/allSteps';
import type { PaintFor, Scheme, Step, Variant } from '../model/definitions';
import { removeVariant } from './rosterEdits';

/** What a step takes: a paint or a mix. */
type Pot = { paint: string } | { mix: string };
/** The pot of a trial is the better one for all, or the first stays. */
export type Verdict = 'taken' | 'not taken';

/** The trial of a step, with the option of the models that try the other pot; null where there is none. */
export function trialOf(
  { variants }: Pick<Scheme, 'variants'>,
  stepId: string,
): { variant: Variant; option: string; models: number[] } | null {
  const variant = variants.find((each) => each.trialOf === stepId);
  const tried = variant?.options.at(-1);
  return variant && tried ? { variant, option: tried.id, models: tried.models } : null;
}

/** Some models of a unit try another pot under a step; the others wait with theirs for the verdict. */
export function tryOn(
  newId: NewId,
  scheme: Scheme,
  stepId: string,
  { pot, name, models, all }: { pot: Pot; name: string; models: readonly number[]; all: readonly number[] },
): Scheme {
  const [plan, tried] = [newId(), newId()];
  const variant: Variant = {
    id: newId(),
    name: `Trial of ${name}`,
    options: [
      { id: plan, name: 'as before', models: all.filter((model) => !models.includes(model)) },
      { id: tried, name, models: [...models] },
    ],
    trialOf: stepId,
  };
  const next = withStep(scheme, stepId, (step) => ({ ...step, paintFor: [...step.paintFor, { option: tried, ...pot }] }));
  return { ...next, variants: [...next.variants, variant] };
}

/** What was tried is decided for all that are left; what was seen stays as a note of the step. */
export function settleTrial(scheme: Scheme, stepId: string, verdict: Verdict, words: string): Scheme {
  const trial = trialOf(scheme, stepId);
  if (!trial) return scheme;
  const settled = withStep(scheme, stepId, (step) => {
    const tried = step.paintFor.find(({ option }) => option === trial.option);
    return {
      ...step,
      ...(verdict === 'taken' && tried && dippedIn(tried)),
      note: [step.note.trim(), words].filter((each) => each !== '').join(' '),
    };
  });
  return removeVariant(settled, trial.variant.id);
}

const dippedIn = (tried: PaintFor): Pick<Step, 'paint' | 'mix'> =>
  'paint' in tried ? { paint: tried.paint, mix: null } : { paint: null, mix: tried.mix };

const withStep = (scheme: Scheme, stepId: string, change: (step: Step) => Step): Scheme =>
  mapSteps(scheme, (each) => (each.id === stepId ? change(each) : each));
