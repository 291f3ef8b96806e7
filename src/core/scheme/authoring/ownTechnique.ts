import { mapSteps } from '../model/allSteps';
import type { Scheme, Step } from '../model/definitions';
import { factsOf, type OwnTechnique, type Technique } from '../model/techniques';

/** A technique of the painter's own before anything is said of it. */
export const newTechnique = (id: string, name: string, like: Technique): OwnTechnique => ({
  id,
  name,
  like,
  moment: null,
  effort: 1,
  dryMinutes: null,
  film: 1,
  brush: '',
  caution: '',
});

/** What a step becomes when it is painted by a technique of the painter's own. */
export const byTechnique = (own: OwnTechnique): Pick<Step, 'technique' | 'own'> => ({ technique: own.like, own });

/** A scheme whose steps are painted by these techniques as they are said now; the same where none of them is painted so. */
export function withTechniques(scheme: Scheme, techniques: readonly OwnTechnique[]): Scheme {
  const byId = new Map(techniques.map((each) => [each.id, each]));
  let isSame = true;
  const step = (each: Step): Step => {
    const now = byId.get(each.own?.id ?? '');
    if (!now || JSON.stringify(now) === JSON.stringify(each.own)) return each;
    isSame = false;
    const takesPaint = factsOf(now.like).usesPaint;
    return { ...each, ...byTechnique(now), ...(!takesPaint && { paint: null, mix: null, paintFor: [] }) };
  };
  const next = mapSteps(scheme, step);
  return isSame ? scheme : next;
}
