import { useCallback, useMemo } from 'react';
import type { LineProblem } from '../../../core/line/definitions';
import { brokenHabits, type BrokenHabit, type HabitPrice } from '../../../core/line/hand/habitPrices';
import { counted, minutesText } from '../../../ui/format';
import { useDerived, type Derived } from '../../client/useDerived';
import { useSeen } from '../../client/useSeen';
import { callOnce } from '../../client/WorkerCalls';
import type { LineTimes } from '../../shared/LineTimes';
import { beginPrices } from './useWishPrices';
import type { PricesWorker } from '../../workers/wishPrices.worker';
import styles from './wishes.module.css';

interface HabitsProps {
  problem: LineProblem;
  /** The rule of each preference of the problem, and what each rule is about. */
  rules: string[];
  words: Record<string, string>;
  order: Int32Array;
  times: LineTimes;
  doneAt: number;
}

/** More are not told one by one. */
const MOST_SHOWN = 4;

/** The painting habits that the order on screen breaks, each with what keeping it always would cost. */
export function Habits({ problem, rules, words, order, times, doneAt }: HabitsProps) {
  const broken = useMemo(() => brokenHabits(problem, rules, order).slice(0, MOST_SHOWN), [problem, rules, order]);
  const { seenRef, isSeen } = useSeen();
  const prices = useHabitPrices(problem, rules, broken, order, isSeen);
  if (broken.length === 0) return null;
  return (
    <div ref={seenRef} data-testid="habits">
      <h3>Habits not kept here</h3>
      <ul className={styles.wishes}>
        {broken.map((habit, index) => (
          <li key={habit.rule}>
            <span>
              {words[habit.rule]}
              <small>
                {counted(habit.pairs, 'pair')} the other way round, worth {minutesText(habit.minutes)};{' '}
                {priceText(prices.value?.[index], prices.error !== null, times, doneAt)}
              </small>
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}

function useHabitPrices(
  problem: LineProblem,
  rules: string[],
  broken: readonly BrokenHabit[],
  order: Int32Array,
  isSeen: boolean,
): Derived<HabitPrice[]> {
  const work = useCallback(
    (unwanted: AbortSignal) =>
      callOnce<PricesWorker, HabitPrice[]>(
        beginPrices,
        (prices) =>
          prices.ofHabits(
            problem,
            rules,
            broken.map(({ rule }) => rule),
            order,
          ),
        unwanted,
      ),
    [problem, rules, broken, order],
  );
  return useDerived(isSeen && broken.length > 0 ? work : null);
}

function priceText(price: HabitPrice | undefined, failed: boolean, times: LineTimes, doneAt: number): string {
  if (!price) return failed ? 'what keeping it costs is not known' : 'working out what keeping it costs …';
  if (price.change === null) return 'what must come first does not let it be kept everywhere';
  return `kept everywhere: ${times.changeText(price.change, doneAt)}`;
}
