import type { CompiledLine } from '../problem/compiledLine';

/** Is no way to a setup, from the beginning of a session or from another one, quicker over a third? */
export const isStraight = (line: CompiledLine, isEndless: boolean): boolean =>
  (isEndless || startsAreStraight(line)) && noDetourIsQuicker(line);

function startsAreStraight({ start, changeover, setupCount }: CompiledLine): boolean {
  return start.every((minutes, to) => start.every((other, from) => minutes <= other + changeover[from * setupCount + to]!));
}

function noDetourIsQuicker({ changeover, setupCount }: CompiledLine): boolean {
  for (let from = 0; from < setupCount; from++)
    for (let through = 0; through < setupCount; through++)
      for (let to = 0; to < setupCount; to++) {
        const detour = changeover[from * setupCount + through]! + changeover[through * setupCount + to]!;
        if (changeover[from * setupCount + to]! > detour) return false;
      }
  return true;
}
