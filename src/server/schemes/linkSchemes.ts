import { ulid } from 'ulid';
import { array, object, type InferType } from 'yup';
import { id } from '../../core/formats/fields';
import { InputError } from '../../core/kernel/InputError';
import type { StoredUnit } from '../../core/commission/definitions';
import { followed, matched, notAmong } from '../../core/scheme/authoring/linked';
import { allSteps } from '../../core/scheme/model/allSteps';
import { hasScheme } from '../../core/scheme/model/definitions';
import { stepOfKey } from '../../core/scheme/model/halves';
import { labelOf } from '../../core/scheme/model/techniques';
import { allModels } from '../../core/scheme/model/whoTakes';
import { ConflictError, NotFoundError } from '../stores/errors';
import type { Stores } from '../stores/stores';
import { loadWorkshop } from '../workshop/loadWorkshop';
import { asideOf } from './asideOf';
import { keepRevision } from './revisions';
import { storeScheme } from './saveScheme';

const units = () => array(id()).strict().max(500).required();

export const linkSchema = object({ link: units(), unlink: units() });

/**
 * From now on other units of the commission are painted by the scheme of this one, or by schemes of their own again. What they had
 * before is kept as a revision; a unit with painted steps that this scheme does not have is refused. Answers with all units.
 */
export async function linkSchemes(
  stores: Stores,
  unitId: string | undefined,
  { link, unlink }: InferType<typeof linkSchema>,
  now: Date,
): Promise<StoredUnit[]> {
  const lead = await stores.commissions.findUnit(unitId ?? '');
  if (!lead) throw new NotFoundError(`There is no unit ${unitId}: it may have been removed at Intake.`);
  const { commissionId } = lead;
  const all = new Map((await stores.commissions.units(commissionId)).map((unit) => [unit.id, unit]));
  const named = (field: string, of: readonly string[]) =>
    of.map((each) => {
      const unit = all.get(each);
      if (!unit) throw new InputError(field, each, 'name a unit of this commission');
      return unit;
    });
  const joining = named('link', link).filter((unit) => unit.id !== lead.id && (unit.linked === null || unit.linked !== lead.linked));
  const leaving = named('unlink', unlink).filter(({ linked }) => linked !== null);
  if (joining.length > 0 && !hasScheme(lead))
    throw new InputError('link', lead.name, 'write its scheme first: there is none to paint others by');
  const set = lead.linked ?? ulid(now.getTime());
  const { marks } = (await loadWorkshop(stores, now)).marks;
  const painted = new Set([...marks].filter(([, models]) => models.size > 0).map(([key]) => stepOfKey(key)));
  const aside = asideOf(await stores.commissions.removedPieces(joining.map((unit) => unit.id)));
  return stores.allOrNothing(async (within) => {
    for (const unit of joining) {
      const { scheme: own, renamed } = matched(lead.scheme, unit.scheme);
      refuseLost(
        unit,
        notAmong(lead.scheme, own).filter((step) => painted.has(step)),
      );
      if (hasScheme(unit)) await keepRevision(within, unit, 'kept', `Before it was painted by the scheme of ${lead.name}.`, now);
      const models = allModels(unit);
      const scheme = followed({ scheme: lead.scheme, models: allModels(lead) }, { scheme: own, models, aside: aside(unit.id) }, ulid);
      all.set(unit.id, { ...unit, scheme });
      await storeScheme(within, { unit, scheme, around: [...all.values()] }, now);
      const gone = unit.gone.map((each) => ({ ...each, in: each.in.map((place) => renamed.get(place) ?? place) }));
      await within.commissions.setGone(unit.id, gone);
    }
    const { commissions } = within;
    if (joining.length > 0) await commissions.setLinked(commissionId, [lead.id, ...joining.map((unit) => unit.id)], set);
    if (leaving.length > 0)
      await commissions.setLinked(
        commissionId,
        leaving.map((unit) => unit.id),
        null,
      );
    const alone = aloneAmong(await commissions.units(commissionId));
    if (alone.length > 0) await commissions.setLinked(commissionId, alone, null);
    return commissions.units(commissionId);
  });
}

/** Units that share their scheme with no other any more. */
function aloneAmong(all: readonly StoredUnit[]): string[] {
  const linked = all.filter((unit) => unit.linked !== null);
  return linked.filter((unit) => linked.every((other) => other === unit || other.linked !== unit.linked)).map((unit) => unit.id);
}

function refuseLost({ name, scheme }: StoredUnit, lost: readonly string[]): void {
  if (lost.length === 0) return;
  const works = allSteps(scheme).filter((step) => lost.includes(step.id));
  const names = [...new Set(works.map((step) => labelOf(step).toLowerCase()))].join(', ');
  throw new ConflictError(
    `Models of ${name} have ${names} that this scheme does not have: write that into this scheme first, or take those marks back.`,
  );
}
