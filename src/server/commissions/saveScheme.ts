import { object, type InferType } from 'yup';
import { checkScheme, pieceIds } from '../../core/formats/checkUnits';
import { schemeSchema } from '../../core/formats/commissionSchemas';
import { count } from '../../core/formats/fields';
import { InputError } from '../../core/formats/InputError';
import type { Scheme } from '../../core/scheme/definitions';
import { checkWorkSize } from '../../core/formats/workSize';
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
  const paints = new Set((await stores.paints.list()).map((paint) => paint.id));
  checkScheme(scheme, 'scheme.', new Set(), (id) => paints.has(id));
  const units = await stores.commissions.units(unit.commissionId);
  checkWorkSize(
    units.map((each) => (each.id === unit.id ? { ...each, scheme } : each)),
    'scheme',
  );
  const elsewhere = await stores.commissions.piecesElsewhere(pieceIds(scheme), [unit.id]);
  if (elsewhere.length > 0)
    throw new InputError('scheme', elsewhere, 'give new parts and steps ids of their own: these belong to another unit');
  if (!(await stores.commissions.saveScheme(unit.id, scheme, input.revision, now.toISOString()))) {
    throw new ConflictError(
      'This scheme was changed in another window after this one was opened: reload the page, then make your change again.',
    );
  }
  return { revision: input.revision + 1 };
}
