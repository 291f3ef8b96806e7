import { object } from 'yup';
import { aroundUnit, checkScheme, pieceIds } from '../../core/formats/scheme/checkScheme';
import { count } from '../../core/formats/fields';
import { InputError } from '../../core/kernel/InputError';
import { schemeSchema } from '../../core/formats/scheme/schemeSchemas';
import { refuseCircles } from '../../core/formats/scheme/schemeReport';
import type { Scheme, Unit } from '../../core/scheme/model/definitions';
import { hardRules } from '../../core/scheme/rules/orderRules';
import { passesOf } from '../../core/scheme/passes/passes';
import { withPots } from '../../core/scheme/model/pots';
import { checkWorkSize } from '../../core/formats/scheme/workSize';
import { ConflictError, NotFoundError } from '../stores/errors';
import type { Stores } from '../stores/stores';

export const saveSchemeSchema = object({ revision: count(1), scheme: schemeSchema.required() });

/** Replaces the scheme of a unit. Answers with the new revision. */
export async function saveScheme(
  stores: Pick<Stores, 'commissions' | 'paints' | 'houseRules'>,
  unitId: string | undefined,
  { revision, scheme }: { revision: number; scheme: Scheme },
  now: Date,
): Promise<{ revision: number }> {
  const unit = await stores.commissions.findUnit(unitId ?? '');
  if (!unit) throw new NotFoundError(`There is no unit ${unitId}: it may have been removed at Intake.`);
  // First of all: who saves over a newer state is not told what is wrong with the older one.
  if (unit.schemeRevision !== revision) throw outOfDate();
  const paints = new Set((await stores.paints.list()).map((paint) => paint.id));
  checkScheme(scheme, aroundUnit(unit, { field: 'scheme.', taken: new Set(), isPaint: (id) => paints.has(id) }));
  const units = await stores.commissions.units(unit.commissionId);
  checkWorkSize(
    units.map((each) => (each.id === unit.id ? { ...each, scheme } : each)),
    'scheme',
  );
  await refuseCircle(stores, unit, scheme);
  const elsewhere = await stores.commissions.piecesElsewhere(pieceIds(scheme), [unit.id]);
  if (elsewhere.length > 0)
    throw new InputError('scheme', elsewhere, 'give new parts and steps ids of their own: these belong to another unit');
  if (!(await stores.commissions.saveScheme(unit.id, scheme, revision, now.toISOString()))) throw outOfDate();
  return { revision: revision + 1 };
}

const outOfDate = () =>
  new ConflictError('This scheme was changed in another window after this one was opened: reload the page, then make your change again.');

/** Own rules that cannot hold together with the others are refused with the whole chain. */
async function refuseCircle(stores: Pick<Stores, 'paints' | 'houseRules'>, unit: Unit, scheme: Scheme): Promise<void> {
  if (scheme.rules.length === 0) return;
  const pots = withPots(new Map((await stores.paints.list()).map((paint) => [paint.id, paint])), [scheme]);
  const whole = { ...unit, scheme };
  const house = await stores.houseRules.load();
  refuseCircles(hardRules(whole, passesOf(whole, 'display', house), pots, house), 'scheme.rules');
}
