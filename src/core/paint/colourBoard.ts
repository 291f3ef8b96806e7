import type { Roster, RosterUnit } from '../plan/build/roster';
import type { Paint } from '../scheme/model/definitions';
import type { Technique } from '../scheme/model/techniques';
import { effortOf, passesOf } from '../scheme/passes/passes';
import { passStretches } from '../scheme/passes/passStretches';
import { splitTrays } from '../scheme/passes/splitTrays';
import { modelFactors } from '../scheme/model/whoTakes';
import { allAtOnce, type Steps } from '../kernel/steps';
import { byColour } from '../colour/colourOrder';

/** One pass of a unit that takes a paint. */
export interface BoardUse {
  passKey: string;
  /** Null for a step over everything. */
  part: string | null;
  technique: Technique;
  coat: number;
  coats: number;
  models: number;
  done: number;
  /** Hands-on, for the models left. */
  minutes: number;
}

/** What a unit takes of a paint. */
export interface BoardCell {
  unitId: string;
  uses: BoardUse[];
  /** Models, each counted for every pass. */
  done: number;
  left: number;
  minutes: number;
}

/** A paint or a mix, with the units that take it. */
export interface BoardRow {
  paint: Paint;
  isMix: boolean;
  cells: BoardCell[];
  done: number;
  left: number;
  minutes: number;
}

/** All paints of some units, in the order of a rack, with who takes them for what. */
export const colourBoard = (roster: Roster): BoardRow[] => allAtOnce(colourBoardInSteps(roster));

/** The same, unit by unit. */
export function* colourBoardInSteps(roster: Roster): Steps<BoardRow[]> {
  const rows = new Map<string, BoardCell[]>();
  for (const unit of roster.units) {
    for (const [potId, uses] of usesOf(unit, roster)) {
      const sum = (of: (use: BoardUse) => number) => uses.reduce((total, use) => total + of(use), 0);
      const cell = {
        unitId: unit.id,
        uses,
        done: sum(({ done }) => done),
        left: sum(({ models, done }) => models - done),
        minutes: sum(({ minutes }) => minutes),
      };
      rows.set(potId, [...(rows.get(potId) ?? []), cell]);
    }
    yield;
  }
  const pots = [...rows.keys()].flatMap((id) => roster.paints.get(id) ?? []);
  return byColour(pots).map((paint) => {
    const cells = rows.get(paint.id)!;
    const sum = (of: 'done' | 'left' | 'minutes') => cells.reduce((total, cell) => total + cell[of], 0);
    const { id, name, hex, kind, dryMinutes } = paint;
    return {
      paint: { id, name, hex, kind, dryMinutes },
      isMix: 'liftedFrom' in paint,
      cells,
      done: sum('done'),
      left: sum('left'),
      minutes: sum('minutes'),
    };
  });
}

function usesOf(unit: RosterUnit, roster: Roster): Map<string, BoardUse[]> {
  const uses = new Map<string, BoardUse[]>();
  const passes = passesOf(unit, unit.standard, roster.house);
  const stretches = passStretches(passes, splitTrays(unit, roster.house), modelFactors(unit.scheme, roster.house), roster.doneModels);
  for (const pass of passes) {
    const painted = roster.doneModels(pass.key);
    for (const dip of pass.dips) {
      if (dip.potId === null || dip.models.length === 0) continue;
      const left = stretches.filter((stretch) => stretch.pass === pass && stretch.dip === dip);
      const minutes = left.reduce((sum, stretch) => sum + stretch.weight * roster.minutesOf(unit, pass, stretch), 0);
      const use: BoardUse = {
        passKey: pass.key,
        part: pass.where,
        technique: pass.step.technique,
        coat: pass.coat,
        coats: pass.step.coats,
        models: dip.models.length,
        done: dip.models.filter((model) => painted.has(model)).length,
        minutes: minutes * effortOf(pass),
      };
      uses.set(dip.potId, [...(uses.get(dip.potId) ?? []), use]);
    }
  }
  return uses;
}
