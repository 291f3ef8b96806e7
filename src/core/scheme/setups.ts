import type { LineSetup, LineTool } from '../line/definitions';
import type { Step, Technique } from './definitions';
import type { Pot } from './pots';
import type { HouseRules } from './houseRules';
import { factsOf, type Hand } from './techniques';

/** One paint, one technique, one kind of tool. */
export interface SetupInfo {
  id: string;
  technique: Technique;
  /** A paint or a mix. */
  paint: Pot | null;
}

/** A step whose paint nobody has named yet shares its setup with no other. */
export const setupId = ({ id, technique }: Pick<Step, 'id' | 'technique'>, potId: string | null): string =>
  lacksPaint(technique, potId) ? `${technique}|-|${id}` : `${technique}|${potId ?? '-'}`;

export const lacksPaint = (technique: Technique, potId: string | null): boolean => potId === null && factsOf(technique).usesPaint;

/** A setup from its id. */
export function setupOf(id: string, paints: ReadonlyMap<string, Pot>): SetupInfo {
  const [technique, paintId] = id.split('|') as [Technique, string];
  return { id, technique, paint: paints.get(paintId) ?? null };
}

const SPRAYING: readonly Hand[] = ['spray', 'airbrush'];
const isSprayed = (setup: SetupInfo) => SPRAYING.includes(factsOf(setup.technique).hand);

/** Minutes to get a setup ready when one sits down. */
export function startMinutes(setup: SetupInfo, house: HouseRules): number {
  return house.sitDownMinutes + (setup.paint ? house.paintMinutes : 0) + (isSprayed(setup) ? house.sprayMinutes : 0);
}

/** Minutes from one setup to another: the paint, the tool, the water after metallics, and the spray place. */
export function changeoverMinutes(from: SetupInfo, to: SetupInfo, house: HouseRules): number {
  if (from.id === to.id) return 0;
  const paint = to.paint && to.paint.id !== from.paint?.id ? potMinutes(from.paint, to.paint, house) : 0;
  const hand = from.technique !== to.technique ? house.handMinutes : 0;
  const water =
    from.paint?.kind === 'metallic' && to.paint !== null && to.paint.kind !== 'metallic' && !isSprayed(to) ? house.waterMinutes : 0;
  const samePlace = factsOf(from.technique).hand === factsOf(to.technique).hand;
  const spray = samePlace ? 0 : house.sprayMinutes * (Number(isSprayed(from)) + Number(isSprayed(to)));
  return paint + hand + water + spray;
}

/** A mix that is the one in hand and a little more costs a drop. */
const potMinutes = (from: Pot | null, to: Pot, house: HouseRules): number =>
  from && to.liftedFrom?.includes(from.id) ? house.dropMinutes : house.paintMinutes;

/** The tools that rest or are owned in so many copies, as the line problem lists them. */
export function lineTools(house: HouseRules): LineTool[] {
  return [
    { id: 'drybrush', count: house.dryBrushes, restMinutes: house.dryBrushRestMinutes },
    { id: 'airbrush', count: house.airbrushes, restMinutes: 0 },
  ];
}

/** The tool of `lineTools` that a technique takes; null for one of which there are always enough. */
export function toolOf(technique: Technique | null): string | null {
  const hand = technique === null ? null : factsOf(technique).hand;
  if (hand === 'dry brush') return 'drybrush';
  return hand === 'airbrush' ? 'airbrush' : null;
}

export function lineSetup(setup: SetupInfo): LineSetup {
  const tool = toolOf(setup.technique);
  return tool === null ? { id: setup.id } : { id: setup.id, tool };
}
