import { object, type InferType } from 'yup';
import { schemeSchema } from '../../core/formats/commissionSchemas';
import { count } from '../../core/formats/fields';
import { InputError } from '../../core/formats/InputError';
import type { Scheme } from '../../core/scheme/definitions';
import { factsOf } from '../../core/scheme/techniques';
import { ConflictError, NotFoundError } from '../errors';
import type { Stores } from '../stores';

export const saveSchemeSchema = object({ revision: count(1), scheme: schemeSchema.required() });

/** Replaces the scheme of a unit. Answers with the new revision. */
export async function saveScheme(
  stores: Pick<Stores, 'commissions' | 'paints'>,
  unitId: string | undefined,
  input: InferType<typeof saveSchemeSchema>,
  now: Date,
): Promise<{ revision: number }> {
  const unit = await stores.commissions.findUnit(unitId ?? '');
  if (!unit) throw new NotFoundError(`There is no unit ${unitId}: it may have been removed at Intake.`);
  const scheme = input.scheme as Scheme;
  await checkPaints(stores, scheme);
  if (!(await stores.commissions.saveScheme(unit.id, scheme, input.revision, now.toISOString()))) {
    throw new ConflictError(
      'This scheme was changed in another window after this one was opened: reload the page, then make your change again.',
    );
  }
  return { revision: input.revision + 1 };
}

async function checkPaints(stores: Pick<Stores, 'paints'>, scheme: Scheme): Promise<void> {
  const known = new Set((await stores.paints.list()).map((paint) => paint.id));
  for (const step of [...scheme.parts.flatMap((part) => part.steps), ...scheme.allOver]) {
    if (step.paintId !== null && !known.has(step.paintId))
      throw new InputError('paintId', step.paintId, 'put the paint on the shelf first');
    if (step.paintId !== null && !factsOf(step.technique).usesPaint)
      throw new InputError('paintId', step.paintId, `leave it out: ${factsOf(step.technique).label} takes no paint`);
  }
}
