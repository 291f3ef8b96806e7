import type { Step } from '../model/definitions';
import { halfOfId } from '../model/halves';
import type { Pot } from '../model/pots';
import type { HouseRules } from '../model/houseRules';
import { factsOf, labelOf, type Hand, type Named, type Technique } from '../model/techniques';

/** One paint, one technique, one kind of tool. */
export interface SetupInfo {
  id: string;
  technique: Technique;
  /** The finer brush that cuts in along the edges of a coat. */
  cutsIn: boolean;
  /** The painter's own name for it; left out for a shipped technique. */
  own?: { name: string };
  /** Which brush, in the painter's words; empty where the technique says it. */
  brush: string;
  /** A paint or a mix. */
  paint: Pot | null;
}

/** In place of a setup: the painter has just sat down. */
export const NOTHING_IN_HAND = '';

const CUTS_IN = '.edges';
/** Names stand behind these, written so that no character of theirs can be taken for one of the grammar. */
const OWN = ':';
const BRUSH = '@';

/** Which brush a step is painted with, in the painter's words; empty where its technique says it. */
export const brushOf = ({ brush, own }: Pick<Step, 'brush' | 'own'>): string => brush ?? own?.brush ?? '';

/** What of a step makes its setup; facts that were written down have the same. */
type SetupStep = Pick<Step, 'id'> & Named & { brush?: string | undefined };

/** A step whose paint nobody has named yet shares its setup with no other. `id` is that of the step, or of a half of its coats. */
export function setupId({ id, technique, own, brush }: SetupStep, potId: string | null): string {
  const named = `${own ? `${OWN}${encodeURIComponent(own.name)}` : ''}${brush ? `${BRUSH}${encodeURIComponent(brush)}` : ''}`;
  const hand = `${technique}${halfOfId(id).half === 'edges' ? CUTS_IN : ''}${named}`;
  return lacksPaint(technique, potId) ? `${hand}|-|${halfOfId(id).stepId}` : `${hand}|${potId ?? '-'}`;
}

export const lacksPaint = (technique: Technique, potId: string | null): boolean => potId === null && factsOf(technique).usesPaint;

/** A setup from its id. */
export function setupOf(id: string, paints: ReadonlyMap<string, Pot>): SetupInfo {
  const [hand, paintId] = id.split('|') as [string, string];
  const [work, brush = ''] = hand.split(BRUSH) as [string, string?];
  const [way, name] = work.split(OWN) as [string, string?];
  const cutsIn = way.endsWith(CUTS_IN);
  const technique = (cutsIn ? way.slice(0, -CUTS_IN.length) : way) as Technique;
  const own = name === undefined ? {} : { own: { name: decodeURIComponent(name) } };
  return { id, technique, ...own, cutsIn, brush: decodeURIComponent(brush), paint: paints.get(paintId) ?? null };
}

/** What is in the hand for it, in words. */
export const handOf = ({ technique, cutsIn, brush }: Pick<SetupInfo, 'technique' | 'cutsIn' | 'brush'>): string =>
  brush || (cutsIn ? 'fine brush' : factsOf(technique).hand);

/** As it is called on screen and on paper. */
export const setupLabel = (setup: Pick<SetupInfo, 'technique' | 'own' | 'cutsIn'>): string =>
  `${labelOf(setup)}${setup.cutsIn ? ', cut in' : ''}`;

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
  const hand = isSameHand(from, to) ? 0 : house.handMinutes;
  const water =
    from.paint?.kind === 'metallic' && to.paint !== null && to.paint.kind !== 'metallic' && !isSprayed(to) ? house.waterMinutes : 0;
  const samePlace = factsOf(from.technique).hand === factsOf(to.technique).hand;
  const spray = samePlace ? 0 : house.sprayMinutes * (Number(isSprayed(from)) + Number(isSprayed(to)));
  return paint + hand + water + spray;
}

/** The brush goes on in the hand: the same by its name, or where neither has one the same by technique. */
const isSameHand = (from: SetupInfo, to: SetupInfo): boolean =>
  from.brush !== '' || to.brush !== '' ? from.brush === to.brush : from.technique === to.technique && from.cutsIn === to.cutsIn;

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
