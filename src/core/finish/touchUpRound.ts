import type { BenchMarks } from '../bench/definitions';
import type { Roster, RosterUnit } from '../plan/build/roster';
import { idOfHalf } from '../scheme/model/halves';
import { factsOf } from '../scheme/model/techniques';
import { workOnWords } from '../scheme/model/workWords';
import { passesOf } from '../scheme/passes/passes';
import { changeoverMinutes, setupOf, startMinutes, type SetupInfo } from '../scheme/passes/setups';

/** A spot that waits for a touch-up. */
export interface RoundSpot {
  unitId: string;
  unit: string;
  model: number;
  passKey: string;
  /** As it is marked: with the half behind it where the coat is painted in two. */
  stepId: string;
  coat: number;
  what: string;
  note: string;
}

/** Spots that the same pot mends, one after the other. */
export interface RoundPot {
  potId: string | null;
  pot: string | null;
  hex: string | null;
  spots: RoundSpot[];
  /** To open or mix it after the one before. */
  setUpMinutes: number;
  minutes: number;
}

export interface TouchUpRound {
  pots: RoundPot[];
  spots: number;
  /** Set-up and hands-on. */
  minutes: number;
}

/**
 * All spots that were found and are not mended yet, grouped by pot, in the order of the scheme: what lies deeper first, so that no mended
 * spot is painted over. `minutesOf` tells the minutes of one spot of a pass.
 */
export function touchUpRound(
  units: readonly RosterUnit[],
  { marks }: Pick<BenchMarks, 'marks'>,
  { paints, house }: Pick<Roster, 'paints' | 'house'>,
  minutesOf: (passKey: string) => number,
): TouchUpRound {
  const pots = new Map<string, RoundPot & { setup: SetupInfo }>();
  for (const unit of units)
    for (const pass of passesOf(unit, unit.standard, house))
      for (const { potId, models } of pass.dips)
        for (const model of models) {
          const missed = marks.get(pass.key)?.get(model)?.missed;
          if (!missed) continue;
          // What is touched up is brushed, whatever it was put on with.
          const key = factsOf(pass.step.technique).usesPaint ? (potId ?? '') : pass.step.technique;
          const pot = paints.get(potId ?? '');
          const round = pots.get(key) ?? {
            potId,
            pot: pot?.name ?? null,
            hex: pot?.hex ?? null,
            spots: [],
            setUpMinutes: 0,
            minutes: 0,
            setup: setupOf(`touchup|${potId ?? '-'}`, paints),
          };
          round.spots.push({
            unitId: unit.id,
            unit: unit.name,
            model,
            passKey: pass.key,
            stepId: idOfHalf(pass.step.id, pass.half),
            coat: pass.coat,
            what: workOnWords(pass.step, pass.where),
            note: missed.note,
          });
          round.minutes += minutesOf(pass.key);
          pots.set(key, round);
        }
  const inOrder = [...pots.values()].map(({ setup, ...round }, at, all): RoundPot => {
    const before = all[at - 1]?.setup;
    return { ...round, setUpMinutes: before ? changeoverMinutes(before, setup, house) : startMinutes(setup, house) };
  });
  return {
    pots: inOrder,
    spots: inOrder.reduce((sum, { spots }) => sum + spots.length, 0),
    minutes: inOrder.reduce((sum, { setUpMinutes, minutes }) => sum + setUpMinutes + minutes, 0),
  };
}
