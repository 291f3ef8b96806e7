import { useMemo } from 'react';
import { clockAt } from '../../core/bench/replay/foldClock';
import type { RoundPot, RoundSpot } from '../../core/finish/touchUpRound';
import { passesOf } from '../../core/scheme/passes/passes';
import { MINUTE_MS } from '../../core/kernel/timeUnits';
import type { FinishPicture } from '../../contract/finish';
import { useFinish } from '../Finish/useFinish';

/** A round of touch-ups: pot by pot, spot by spot, on the clock of the bench. */
export function useRound(picture: FinishPicture, reload: () => void, now: number) {
  const finish = useFinish(picture, reload, now);
  const { round, record } = finish;
  const clock = clockAt(finish.clock, now);
  /** Which pot each pass is painted with; a pass with several, by whoever is mended first. */
  const potOfPass = useMemo(
    () =>
      new Map(
        picture.units.flatMap((unit) =>
          passesOf(unit, unit.standard, picture.house).map(({ key, dips }) => [key, dips.map(({ potId }) => potId)] as const),
        ),
      ),
    [picture],
  );
  const inHand = clock.current === null || clock.workingSince === null ? null : (potOfPass.get(clock.current.passKey) ?? null);
  const held = round.pots.find((pot) => inHand?.includes(pot.potId));
  const pot: RoundPot | null = held ?? round.pots[0] ?? null;
  const spot: RoundSpot | null = pot?.spots[0] ?? null;
  const place = ({ unitId, stepId, coat }: RoundSpot) => ({ unit: unitId, step: stepId, coat });
  const isPaused = clock.pausedSince !== null;
  const last = clock.lastUndoable;
  const own = last !== null && picture.units.some(({ id }) => id === last.unit) ? last : null;
  return {
    ...finish,
    clock,
    pot,
    spot,
    isPaused,
    needsStart: pot !== null && held === undefined,
    /** Minutes on the spot in hand. */
    running: clock.workingSince === null || held === undefined ? 0 : ((clock.pausedSince ?? now) - clock.workingSince) / MINUTE_MS,
    main: () => {
      if (isPaused) return record({ kind: 'resumed' });
      if (!spot) return;
      if (held === undefined) record({ kind: 'started', ...place(spot), models: [] });
      else record({ kind: 'touched-up', ...place(spot), models: [spot.model] });
    },
    pause: () => record({ kind: isPaused ? 'resumed' : 'paused' }),
    /** Taps on other work are taken back at the bench. */
    canUndo: own !== null,
    undo: () => own && record({ kind: 'undone', target: own.id, unit: own.unit }),
    end: () => record({ kind: 'ended' }),
  };
}
