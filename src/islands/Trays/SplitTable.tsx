import { isWithin, type TrayChoice } from '../../core/plan/choices/trayChoices';
import { Button } from '../../ui/Button/Button';
import { cx } from '../../ui/cx';
import { differenceText, minutesText } from '../../ui/format';
import { splitText, splitWords } from './words';
import { SortHead } from '../shared/sort/SortHead';
import { useSorted } from '../shared/sort/useSorted';
import styles from './View.module.css';

interface SplitTableProps {
  choices: TrayChoice[];
  /** The limit that splits the unit as it is split now. */
  now: number;
  sweet: TrayChoice | null;
  stretchMinutes: number;
  holderModels: number;
  onTake: (limit: number) => void;
}

/** Every split with its figures, and what taking it would change. */
export function SplitTable({ choices, now, sweet, stretchMinutes, holderModels, onTake }: SplitTableProps) {
  const current = choices.find((choice) => choice.limit === now);
  const { rows, sorting } = useSorted(choices, {
    trays: (choice) => choice.limit,
    total: (choice) => choice.totals.bench,
    waiting: (choice) => choice.totals.wait,
    longest: (choice) => choice.stretch.minutes,
    against: (choice) => choice.totals.bench,
  });
  return (
    <table className={styles.splits}>
      <thead>
        <tr>
          <SortHead sorting={sorting} by="trays">
            Trays
          </SortHead>
          <SortHead sorting={sorting} by="total">
            Total
          </SortHead>
          <SortHead sorting={sorting} by="waiting">
            Waiting
          </SortHead>
          <SortHead sorting={sorting} by="longest">
            Longest job
          </SortHead>
          <SortHead sorting={sorting} by="against">
            Against now
          </SortHead>
          <td />
        </tr>
      </thead>
      <tbody>
        {rows.map((choice) => (
          <tr key={choice.limit} className={cx(choice === sweet && styles.sweet)} data-split={choice.limit}>
            <th scope="row">
              {splitText(choice)}
              {choice === sweet && <small>best size</small>}
              {choice.limit > holderModels && <small>beyond a holder</small>}
            </th>
            <td>{minutesText(choice.totals.bench)}</td>
            <td>{minutesText(choice.totals.wait)}</td>
            <td className={cx(!isWithin(choice, stretchMinutes) && styles.tooLong)}>{minutesText(choice.stretch.minutes)}</td>
            <td>{current && choice !== current && differenceText(choice.totals.bench - current.totals.bench)}</td>
            <td>
              {choice.limit === now ? (
                <span className={styles.now}>as it is</span>
              ) : (
                <Button kind="quiet" aria-label={`Take ${splitWords(choice)}`} onClick={() => onTake(choice.limit)}>
                  Take
                </Button>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
