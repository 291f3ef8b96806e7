import type { Step } from './definitions';
import type { Moment } from './moments';
import type { Schools } from './schools';
import { factsOf } from './techniques';

/** When a step stands by itself: as set by hand, else by its technique and the schools. */
export function momentOf(step: Pick<Step, 'technique' | 'moment' | 'own'>, isMetallic: boolean, schools: Schools): Moment {
  const said = step.moment ?? step.own?.moment ?? null;
  if (said !== null) return said;
  const usual = factsOf(step.technique).moment;
  switch (step.technique) {
    case 'decal':
      return { 'after the wash': 'detail', 'before the wash': 'base', last: 'sealed' }[schools.decals] as Moment;
    case 'script':
      return schools.script === 'before the wash' ? 'base' : usual;
    case 'pigment':
      return schools.powders === 'before the varnish' ? 'weather' : usual;
    case 'scatter':
      return schools.scatter === 'after the varnish' ? 'sealed' : usual;
    case 'eyes':
      return schools.eyes === 'early' ? 'base' : usual;
    case 'lens':
    case 'glow':
      return schools.lights === 'after everything' ? 'sealed' : usual;
    default:
      return usual === 'base' && isMetallic && schools.metals === 'after the shade' ? 'highlight' : usual;
  }
}
