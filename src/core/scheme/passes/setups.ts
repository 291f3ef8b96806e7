import type { Step } from '../model/definitions';
import { halfOfId } from '../model/halves';
import type { Pot } from '../model/pots';
import type { HouseRules } from '../model/houseRules';
import { factsOf, type Hand, type Technique } from '../model/techniques';

/** One paint, one technique, one kind of tool. */
export interface SetupInfo {
  id: string;
  technique: Technique;
  /** The finer brush that cuts in along the edges of a coat. */
  cutsIn: boolean;
  /** A paint or a mix. */
  paint: Pot | null;
}

/** In place of a setup: the painter has just sat down. */
export const NOTHING_IN_HAND = '';

const CUTS_IN = '.edges';

/** A step whose paint nobody has named yet shares its setup with no other. `id` is that of the step, or of a half of its coats. */
export function setupId({ id, technique }: Pick<Step, 'id' | 'technique'>, potId: string | null): string {
  const brush = halfOfId(id).half === 'edges' ? `${technique}${CUTS_IN}` : technique;
  return lacksPaint(technique, potId) ? `${brush}|-|${halfOfId(id).stepId}` : `${brush}|${potId ?? '-'}`;
}

export const lacksPaint = (technique: Technique, potId: string | null): boolean => potId === null && factsOf(technique).usesPaint;

/** A setup from its id. */
export function setupOf(id: string, paints: ReadonlyMap<string, Pot>): SetupInfo {
  const [brush, paintId] = id.split('|') as [string, string];
  const cutsIn = brush.endsWith(CUTS_IN);
  const technique = (cutsIn ? brush.slice(0, -CUTS_IN.length) : brush) as Technique;
  return { id, technique, cutsIn, paint: paints.get(paintId) ?? null };
}

/** What is in the hand for it. */
export const handOf = ({ technique, cutsIn }: Pick<SetupInfo, 'technique' | 'cutsIn'>): Hand =>
  cutsIn ? 'fine brush' : factsOf(technique).hand;

/** As it is called on screen and on paper. */
export const setupLabel = ({ technique, cutsIn }: Pick<SetupInfo, 'technique' | 'cutsIn'>): string =>
  `${factsOf(technique).label}${cutsIn ? ', cut in' : ''}`;

const SPRAYING: readonly Hand[] = ['spray', 'airbrush'];
const isSprayed = (setup: SetupInfo) => SPRAYING.includes(factsOf(setup.technique).hand);

/** Minutes to get a setup ready when one sits down. */
export function startMinutes(setup: SetupInfo, house: HouseRules): number {
  return house.sitDownMinutes + (setup.paint ? potMinutes(null, setup.paint, house) : 0) + (isSprayed(setup) ? house.sprayMinutes : 0);
}

/** Minutes from one setup to another: the paint, the tool, the water after metallics, and the spray place. */
export function changeoverMinutes(from: SetupInfo, to: SetupInfo, house: HouseRules): number {
  if (from.id === to.id) return 0;
  const paint = to.paint && to.paint.id !== from.paint?.id ? potMinutes(from.paint, to.paint, house) : 0;
  const hand = from.technique !== to.technique || from.cutsIn !== to.cutsIn ? house.handMinutes : 0;
  const water =
    from.paint?.kind === 'metallic' && to.paint !== null && to.paint.kind !== 'metallic' && !isSprayed(to) ? house.waterMinutes : 0;
  const samePlace = factsOf(from.technique).hand === factsOf(to.technique).hand;
  const spray = samePlace ? 0 : house.sprayMinutes * (Number(isSprayed(from)) + Number(isSprayed(to)));
  return paint + hand + water + spray;
}

/** A mix that is the one in hand and a little more costs a drop; any other has dried on the palette, and is mixed again. */
function potMinutes(from: Pot | null, to: Pot, house: HouseRules): number {
  if (to.liftedFrom === undefined) return house.paintMinutes;
  return from && to.liftedFrom.includes(from.id) ? house.dropMinutes : house.paintMinutes + house.mixAgainMinutes;
}

/** The tool of `lineTools` that a technique takes; null for one of which there are always enough. */
export function toolOf(technique: Technique | null): string | null {
  const hand = technique === null ? null : factsOf(technique).hand;
  if (hand === 'dry brush') return 'drybrush';
  return hand === 'airbrush' ? 'airbrush' : null;
}
