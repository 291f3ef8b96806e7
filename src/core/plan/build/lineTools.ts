import type { LineSetup, LineTool } from '../../line/definitions';
import type { HouseRules } from '../../scheme/model/houseRules';
import { toolOf, type SetupInfo } from '../../scheme/passes/setups';

/** The tools that rest or are owned in so many copies, as the line problem lists them. */
export function lineTools(house: HouseRules): LineTool[] {
  return [
    { id: 'drybrush', count: house.dryBrushes, restMinutes: house.dryBrushRestMinutes },
    { id: 'airbrush', count: house.airbrushes, restMinutes: 0 },
  ];
}

export function lineSetup(setup: SetupInfo): LineSetup {
  const tool = toolOf(setup.technique);
  return tool === null ? { id: setup.id } : { id: setup.id, tool };
}
