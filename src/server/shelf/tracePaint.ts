import { partWords } from '../../core/scheme/model/workWords';
import { passKeyOf } from '../../core/bench/definitions';
import { foldMarks } from '../../core/bench/replay/foldMarks';
import { potsWith } from '../../core/scheme/model/pots';
import { factsOf } from '../../core/scheme/model/techniques';
import type { PaintTrace } from '../../contract/paintTrace';
import type { Stores } from '../stores/stores';

/** So many mixes of one paint are looked for. */
const MOST_POTS = 400;

/** Which models carry a paint, alone or in a mix, whatever their schemes say today: pass by pass, the latest first. */
export async function tracePaint(stores: Pick<Stores, 'bench' | 'commissions'>, paintId = ''): Promise<PaintTrace[]> {
  const mixes = (await stores.commissions.schemesThatName(paintId)).flatMap((scheme) => potsWith(scheme, paintId));
  const pots = [...new Set([paintId, ...mixes])].slice(0, MOST_POTS);
  const events = await stores.bench.ofUnits(await stores.bench.unitsPaintedWith(pots));
  const { marks } = foldMarks(events);
  return [...marks]
    .flatMap(([passKey, models]): PaintTrace[] => {
      const carriers = [...models].filter(([, mark]) => pots.some((pot) => mark.setupId.endsWith(`|${pot}`)));
      const named = events.findLast((event) => passKeyOf(event) === passKey && pots.includes(event.facts?.paintId ?? ''));
      if (carriers.length === 0 || !named) return [];
      const { commission, unit, part, technique } = named.facts!;
      return [
        {
          passKey,
          commission,
          unit,
          what: `${partWords(part)}, ${factsOf(technique).label.toLowerCase()}`,
          models: carriers.map(([model]) => model).sort((a, b) => a - b),
          lastAt: Math.max(...carriers.map(([, mark]) => mark.at)),
        },
      ];
    })
    .sort((a, b) => b.lastAt - a.lastAt);
}
