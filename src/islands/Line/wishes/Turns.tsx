import { useCallback } from 'react';
import type { LineProblem, OrderChange } from '../../../core/line/definitions';
import type { LaidTurns } from '../../../core/plan/build/unitsInTurn';
import type { LinePicture } from '../../../contract/line';
import { useDerived } from '../../client/useDerived';
import { useSeen } from '../../client/useSeen';
import { callOnce } from '../../client/WorkerCalls';
import type { LineTimes } from '../../shared/LineTimes';
import type { PricesWorker } from '../../workers/wishPrices.worker';
import { beginPrices } from './useWishPrices';
import styles from './wishes.module.css';

interface TurnsProps {
  picture: Pick<LinePicture, 'turns' | 'trays'>;
  problem: LineProblem;
  order: Int32Array;
  times: LineTimes;
  doneAt: number;
}

/** What is finished before the next is begun, each with what that costs. */
export function Turns({ picture: { turns, trays }, problem, order, times, doneAt }: TurnsProps) {
  const { seenRef, isSeen } = useSeen();
  const work = useCallback(
    (unwanted: AbortSignal) =>
      callOnce<PricesWorker, OrderChange[]>(beginPrices, (prices) => prices.ofTurns(problem, turns, order), unwanted),
    [problem, turns, order],
  );
  const prices = useDerived(isSeen && turns.length > 0 ? work : null);
  if (turns.length === 0) return null;
  const nameOf = (unitId: string | null) => trays.find((tray) => tray.unitId === unitId)?.unitName ?? '';
  return (
    <div ref={seenRef} data-testid="turns">
      <h3>Finished before the next</h3>
      <ul className={styles.wishes}>
        {turns.map((rule, index) => (
          <li key={`${rule.kind} ${rule.unitId} ${rule.turns[0]![0]}`}>
            <span>
              {turnWords(rule, nameOf(rule.unitId))}
              <small>{priceText(prices.value?.[index], prices.error !== null, times, doneAt)}</small>
            </span>
            <a href={rule.unitId === null ? '/house-rules' : `/trays?unit=${rule.unitId}`}>
              {rule.unitId === null ? 'House rules' : 'Trays'}
            </a>
          </li>
        ))}
      </ul>
    </div>
  );
}

function turnWords({ kind, turns }: LaidTurns, unitName: string): string {
  if (kind === 'trays') return `${unitName}: tray by tray, ${turns.length} trays`;
  if (kind === 'first') return `${unitName} before the others`;
  return `Batches of units, ${turns.length} in turn`;
}

const SMALLEST = 0.05;

function priceText(change: OrderChange | undefined, failed: boolean, times: LineTimes, doneAt: number): string {
  if (!change) return failed ? 'what it costs is not known' : 'working out what it costs …';
  if (Object.values(change).every((minutes) => Math.abs(minutes) < SMALLEST)) return 'costs nothing';
  return `costs ${times.changeText(change, doneAt - change.finish).replace(/^\+/, '')}`;
}
