import { memo, type Ref } from 'react';
import type { LineTotals } from '../../../core/line/definitions';
import type { Strategy, StrategyId } from '../../../core/line/search/strategies';
import { Bar } from '../../../ui/Bar/Bar';
import { Panel } from '../../../ui/Panel/Panel';
import { dayOfText, minutesText } from '../../../ui/format';
import type { LineTimes } from '../../shared/LineTimes';
import { gainText } from './gainText';
import { SortHead } from '../../shared/sort/SortHead';
import { useSorted } from '../../shared/sort/useSorted';
import sheet from './search.module.css';
import styles from '../View.module.css';

const NAMES = {
  'one-model': 'One model at a time',
  'tray-by-tray': 'One tray at a time',
  'unit-by-unit': 'One unit at a time',
  'nearly-done': 'Nearly done first',
  'across-units': 'Across units',
  entered: 'In entry order',
  suggested: 'Suggested',
  own: 'On the bench',
} as const satisfies Record<StrategyId, string>;

const COLUMNS = [
  { name: 'Total', of: 'bench' },
  { name: 'Set-up', of: 'changeover' },
  { name: 'Waiting', of: 'wait' },
  { name: 'Touch-up', of: 'touchUp' },
  { name: 'Habits', of: 'against' },
] as const satisfies { name: string; of: keyof LineTotals }[];

interface StrategyTableProps {
  strategies: Strategy[];
  times: LineTimes;
  /** Of the row that stands for the ways that are not worked out yet. */
  othersRef?: Ref<HTMLTableRowElement>;
}

/** Ways to paint the same models, on the same numbers; the one on screen first. */
export const StrategyTable = memo(function StrategyTable({ strategies, times, othersRef }: StrategyTableProps) {
  // One model at a time waits so long that it would flatten the others: its bar is cut where it leaves the scale.
  const batched = strategies.filter((strategy) => strategy.id !== 'one-model').map((strategy) => strategy.totals?.bench ?? 0);
  const full = Math.max(...batched) * 1.15;
  const gain = gainText(strategies, times);
  const { rows, sorting } = useSorted(strategies.toReversed(), {
    method: ({ id }) => NAMES[id],
    bench: ({ totals }) => totals?.bench,
    changeover: ({ totals }) => totals?.changeover,
    wait: ({ totals }) => totals?.wait,
    touchUp: ({ totals }) => totals?.touchUp,
    against: ({ totals }) => totals?.against,
    legCount: ({ totals }) => totals?.legCount,
    finish: ({ totals }) => totals?.finish,
  });
  return (
    <Panel title="Time lost, by method" className={styles.lower} scrolls>
      {gain && <p data-testid="gain">{gain}</p>}
      <table className={styles.strategies}>
        <thead>
          <tr>
            <SortHead sorting={sorting} by="method" className={sheet.way}>
              Method
            </SortHead>
            {COLUMNS.map(({ name, of }) => (
              <SortHead key={name} sorting={sorting} by={of} className={styles.figure}>
                {name}
              </SortHead>
            ))}
            <SortHead sorting={sorting} by="legCount" className={styles.figure}>
              Legs
            </SortHead>
            {times.sessions && (
              <SortHead sorting={sorting} by="finish" className={styles.figure}>
                Done
              </SortHead>
            )}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ id, totals }) => (
            <tr key={id} className={id === strategies.at(-1)!.id ? sheet.suggested : undefined} data-strategy={id}>
              <th scope="row">
                {NAMES[id]}
                {totals && (
                  <Bar
                    full={full}
                    label={`${NAMES[id]}: ${minutesText(totals.bench)}${totals.bench > full ? ', beyond the scale' : ''}`}
                    parts={[
                      { label: 'hands-on', value: Math.min(full, totals.handsOn), look: 'solid' },
                      { label: 'set-up', value: Math.min(full - Math.min(full, totals.handsOn), totals.changeover), look: 'grey' },
                      {
                        label: 'waiting',
                        value: Math.max(0, Math.min(full - totals.handsOn - totals.changeover, totals.wait)),
                        look: 'hatch',
                      },
                      {
                        label: 'touch-up',
                        value: Math.max(0, Math.min(full - totals.handsOn - totals.changeover - totals.wait, totals.touchUp)),
                        look: 'dots',
                      },
                    ]}
                  />
                )}
              </th>
              {totals ? (
                <>
                  {COLUMNS.map(({ name, of }) => (
                    <td key={name} className={styles.figure}>
                      {minutesText(totals[of])}
                    </td>
                  ))}
                  <td className={styles.figure}>{totals.legCount}</td>
                  {times.sessions && <td className={styles.figure}>{dayOfText(times.momentOf(totals.finish)!)}</td>}
                </>
              ) : (
                <td colSpan={COLUMNS.length + 2}>does not fit the sessions</td>
              )}
            </tr>
          ))}
          {strategies[0]!.id !== 'one-model' && (
            <tr ref={othersRef}>
              <td colSpan={COLUMNS.length + 3}>working out the other methods …</td>
            </tr>
          )}
        </tbody>
      </table>
    </Panel>
  );
});
