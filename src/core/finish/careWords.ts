import type { UnitCure } from './curePlan';

type Sealed = Pick<UnitCure, 'hasVarnish' | 'hasLoosePowder' | 'hasLoosePaste'>;

/** How finished models are kept, in sentences for the client; what holds only for some of the units says so. */
export function careWords(units: readonly Sealed[], care: string): string[] {
  const all = (holds: (unit: Sealed) => boolean) => units.length > 0 && units.every(holds);
  const some = (holds: (unit: Sealed) => boolean) => units.some(holds);
  const bare = ({ hasVarnish }: Sealed) => !hasVarnish;
  return [
    'Hold each model by its base. Dust it with a soft, dry brush.',
    'Keep the models out of direct sun, away from heat and damp.',
    ...(all(bare)
      ? ['The models are not varnished: paint rubs off where they are touched often.']
      : some(bare)
        ? ['Some of the units are not varnished: paint rubs off where those are touched often.']
        : ['The models are varnished. Varnish protects against handling, not against falls or solvents.']),
    ...(some(({ hasLoosePowder }) => hasLoosePowder) ? ['Powders lie on top of the varnish: do not touch or wipe those places.'] : []),
    ...(some(({ hasLoosePaste }) => hasLoosePaste) ? ['The texture of the bases is not sealed: grains may come off on the way.'] : []),
    ...(care.trim() === '' ? [] : [care.trim()]),
  ];
}
