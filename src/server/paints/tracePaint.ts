import { foldMarks } from '../../core/bench/foldMarks';
import { factsOf } from '../../core/scheme/techniques';
import type { PaintTrace } from '../../core/views/paintTrace';
import type { Stores } from '../stores';

/** Which models carry a paint, whatever their schemes say today: pass by pass, the latest first. */
export async function tracePaint(stores: Pick<Stores, 'bench'>, paintId: string | undefined): Promise<PaintTrace[]> {
  const events = await stores.bench.ofUnits(await stores.bench.unitsPaintedWith(paintId ?? ''));
  const { marks } = foldMarks(events);
  return [...marks]
    .flatMap(([passKey, models]): PaintTrace[] => {
      const carriers = [...models].filter(([, mark]) => mark.setupId.endsWith(`|${paintId}`));
      const named = events.findLast((event) => `${event.step}#${event.coat}` === passKey && event.facts?.paintId === paintId);
      if (carriers.length === 0 || !named) return [];
      const { commission, unit, part, technique } = named.facts!;
      return [
        {
          passKey,
          commission,
          unit,
          what: `${part.toLowerCase() || 'everything'}, ${factsOf(technique).label.toLowerCase()}`,
          models: carriers.map(([model]) => model).sort((a, b) => a - b),
          lastAt: Math.max(...carriers.map(([, mark]) => mark.at)),
        },
      ];
    })
    .sort((a, b) => b.lastAt - a.lastAt);
}
