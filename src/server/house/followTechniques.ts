import { withTechniques } from '../../core/scheme/authoring/ownTechnique';
import type { OwnTechnique } from '../../core/scheme/model/techniques';
import { storeScheme } from '../schemes/saveScheme';
import type { Stores } from '../stores/stores';

/** Steps of open work that are painted by a technique of the painter's own go by what is said of it now. Closed work stays as it was. */
export async function followTechniques(stores: Stores, techniques: readonly OwnTechnique[], now: Date): Promise<void> {
  if (techniques.length === 0) return;
  for (const { id } of await stores.commissions.listOpen())
    for (const unit of await stores.commissions.units(id)) {
      const scheme = withTechniques(unit.scheme, techniques);
      // Units with one scheme take it each for itself, and have one scheme still.
      if (scheme !== unit.scheme) await storeScheme(stores, { unit, scheme, around: await stores.commissions.units(id) }, now);
    }
}
