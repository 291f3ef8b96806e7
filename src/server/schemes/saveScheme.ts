import { ulid } from 'ulid';
import { object } from 'yup';
import { aroundUnit, checkScheme, pieceIds } from '../../core/formats/scheme/checkScheme';
import { count } from '../../core/formats/fields';
import { InputError } from '../../core/kernel/InputError';
import { schemeSchema } from '../../core/formats/scheme/schemeSchemas';
import { refuseCircles } from '../../core/formats/scheme/schemeReport';
import { checkWorkSize } from '../../core/formats/scheme/workSize';
import type { SavedScheme } from '../../contract/commission';
import type { StoredUnit } from '../../core/commission/definitions';
import { droppedFrom, followed, withSharedNames } from '../../core/scheme/authoring/linked';
import type { Scheme, Unit } from '../../core/scheme/model/definitions';
import { hardRules } from '../../core/scheme/rules/orderRules';
import { passesOf } from '../../core/scheme/passes/passes';
import { withPots } from '../../core/scheme/model/pots';
import { allModels } from '../../core/scheme/model/whoTakes';
import { ConflictError, NotFoundError } from '../stores/errors';
import type { Stores } from '../stores/stores';
import { asideOf } from './asideOf';

export const saveSchemeSchema = object({ revision: count(1), scheme: schemeSchema.required() });

/** Replaces the scheme of a unit, and of those that are painted by the same one. Answers with the new revision, and with what those have now. */
export async function saveScheme(
  stores: Stores,
  unitId: string | undefined,
  { revision, scheme }: { revision: number; scheme: Scheme },
  now: Date,
): Promise<SavedScheme> {
  const unit = await stores.commissions.findUnit(unitId ?? '');
  if (!unit) throw new NotFoundError(`There is no unit ${unitId}: it may have been removed at Intake.`);
  // First of all: who saves over a newer state is not told what is wrong with the older one.
  if (unit.schemeRevision !== revision) throw outOfDate();
  const units = await stores.commissions.units(unit.commissionId);
  const others = units.filter((each) => unit.linked !== null && each.linked === unit.linked && each.id !== unit.id);
  const aside = asideOf(await stores.commissions.removedPieces([unit, ...others].map(({ id }) => id)));
  const named = unit.linked === null ? scheme : withSharedNames(scheme, unit.scheme, aside(unit.id));
  const lead = { scheme: named, models: allModels(unit) };
  const dropped = droppedFrom(unit.scheme, named);
  const following = others
    .map((other) => ({
      ...other,
      scheme: followed(lead, { scheme: other.scheme, models: allModels(other), aside: aside(other.id), dropped }, ulid),
      before: other.scheme,
    }))
    .filter((other) => JSON.stringify(other.scheme) !== JSON.stringify(other.before));
  return stores.allOrNothing(async (all) => {
    const linked = new Map(following.map(({ before: _, ...other }) => [other.id, other]));
    const around = units.map((each) => (each.id === unit.id ? { ...each, scheme: named } : (linked.get(each.id) ?? each)));
    const saved = await storeScheme(all, { unit, scheme: named, around }, now);
    const answers = [];
    for (const other of linked.values()) {
      const next = await storeScheme(all, { unit: other, scheme: other.scheme, around }, now);
      answers.push({ id: other.id, scheme: other.scheme, schemeRevision: next.revision });
    }
    return { ...saved, linked: answers };
  });
}

interface ToStore {
  unit: StoredUnit;
  scheme: Scheme;
  /** The units of its commission as they will be. */
  around: readonly Unit[];
}

/** Replaces the scheme of one unit and of no other. */
export async function storeScheme(
  stores: Pick<Stores, 'commissions' | 'paints' | 'houseRules'>,
  { unit, scheme, around }: ToStore,
  now: Date,
): Promise<{ revision: number }> {
  const paints = new Set((await stores.paints.list()).map((paint) => paint.id));
  checkScheme(scheme, aroundUnit(unit, { field: 'scheme.', taken: new Set(), isPaint: (id) => paints.has(id) }));
  checkWorkSize(around, 'scheme');
  await refuseCircle(stores, unit, scheme);
  const elsewhere = await stores.commissions.piecesElsewhere(pieceIds(scheme), [unit.id]);
  if (elsewhere.length > 0)
    throw new InputError('scheme', elsewhere, 'give new parts and steps ids of their own: these belong to another unit');
  if (!(await stores.commissions.saveScheme(unit.id, scheme, unit.schemeRevision, now.toISOString()))) throw outOfDate();
  return { revision: unit.schemeRevision + 1 };
}

export const outOfDate = () =>
  new ConflictError('This scheme was changed in another window after this one was opened: reload the page, then make your change again.');

/** Own rules that cannot hold together with the others are refused with the whole chain. */
async function refuseCircle(stores: Pick<Stores, 'paints' | 'houseRules'>, unit: Unit, scheme: Scheme): Promise<void> {
  if (scheme.rules.length === 0) return;
  const pots = withPots(new Map((await stores.paints.list()).map((paint) => [paint.id, paint])), [scheme]);
  const whole = { ...unit, scheme };
  const house = await stores.houseRules.load();
  refuseCircles(hardRules(whole, passesOf(whole, 'display', house), pots, house), 'scheme.rules');
}
