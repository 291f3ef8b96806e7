import { ulid } from 'ulid';
import { object, type InferType } from 'yup';
import { count, id, list, oneOf } from '../../core/formats/fields';
import { MOST_MODELS } from '../../core/formats/scheme/schemeSchemas';
import { InputError } from '../../core/kernel/InputError';
import { settleTrial, trialOf, tryOn } from '../../core/scheme/authoring/trial';
import { allSteps } from '../../core/scheme/model/allSteps';
import type { Step } from '../../core/scheme/model/definitions';
import { halfOfId } from '../../core/scheme/model/halves';
import type { potIdsOf } from '../../core/scheme/model/pots';
import { allModels } from '../../core/scheme/model/whoTakes';
import { saveScheme } from '../schemes/saveScheme';
import { ConflictError, NotFoundError } from '../stores/errors';
import type { Stores } from '../stores/stores';
import { potNamed } from './changeStepAtBench';

export const tryOnSchema = object({ step: id(), pot: id(), models: list(count(1, MOST_MODELS), MOST_MODELS, 1) });
export const settleSchema = object({ step: id(), verdict: oneOf(['taken', 'not taken'] as const) });

/** Some models try another pot, before it is decided for all of their unit. */
export async function tryPot(
  stores: Stores,
  unitId: string | undefined,
  { step: marked, pot, models }: InferType<typeof tryOnSchema>,
  now: Date,
): Promise<void> {
  const { unit, step } = await found(stores, unitId, marked);
  if (trialOf(unit.scheme, step.id)) throw new ConflictError('This step has a trial already: settle that one first.');
  // A trial is of these models; the others units of the scheme have none of them.
  if (unit.linked !== null)
    throw new ConflictError(`${unit.name} is painted by one scheme with other units: unlink it in the Scheme view to try something on it.`);
  const all = allModels(unit);
  const strange = models.find((model) => !all.includes(model));
  if (strange !== undefined) throw new InputError('models', strange, `name models of ${unit.name} that are there, up to ${all.at(-1)}`);
  const { paint, mix } = await potNamed(stores, unit.scheme, pot);
  const name = paint === null ? unit.scheme.mixes.find(({ id: each }) => each === mix)!.name : await nameOf(stores, paint);
  const scheme = tryOn(ulid, unit.scheme, step.id, { pot: paint === null ? { mix: mix! } : { paint }, name, models, all });
  await saveScheme(stores, unit.id, { revision: unit.schemeRevision, scheme }, now);
}

/** The verdict on a trial holds for all that are left, and is kept with the step. */
export async function settlePot(
  stores: Stores,
  unitId: string | undefined,
  { step: marked, verdict }: InferType<typeof settleSchema>,
  now: Date,
): Promise<void> {
  const { unit, step } = await found(stores, unitId, marked);
  const trial = trialOf(unit.scheme, step.id);
  if (!trial) throw new NotFoundError('This step has no trial any more: reload the page.');
  const tried = trial.variant.options.at(-1)!.name;
  const words = `${tried} tried on ${trial.models.join(', ')}: ${verdict}${await insteadOf(stores, unit.scheme, step, verdict)}.`;
  const scheme = settleTrial(unit.scheme, step.id, verdict, words);
  await saveScheme(stores, unit.id, { revision: unit.schemeRevision, scheme }, now);
}

async function found(stores: Pick<Stores, 'commissions'>, unitId: string | undefined, marked: string) {
  const unit = await stores.commissions.findUnit(unitId ?? '');
  const step = unit && allSteps(unit.scheme).find(({ id: each }) => each === halfOfId(marked).stepId);
  if (!step) throw new NotFoundError(`There is no step ${marked} any more: reload the page.`);
  return { unit, step };
}

const nameOf = async ({ paints }: Pick<Stores, 'paints'>, paintId: string): Promise<string> =>
  (await paints.list()).find(({ id: each }) => each === paintId)!.name;

async function insteadOf(
  stores: Pick<Stores, 'paints'>,
  { mixes }: Parameters<typeof potIdsOf>[0],
  { paint, mix }: Pick<Step, 'paint' | 'mix'>,
  verdict: 'taken' | 'not taken',
): Promise<string> {
  const first = mix === null ? paint && (await nameOf(stores, paint)) : mixes.find(({ id: each }) => each === mix)?.name;
  return first ? (verdict === 'taken' ? ` instead of ${first}` : `, ${first} stays`) : '';
}
