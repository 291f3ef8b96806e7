import { useCallback, useState } from 'react';
import { factsOf } from '../../core/scheme/model/techniques';
import { minutesThatCount } from '../../core/log/definitions';
import { type Explanation } from '../../core/time/definitions';
import type { WhyPicture } from '../../contract/why';
import { counted, dayOfText, minutesText, percentText, plain } from '../../ui/format';
import { send } from '../client/api';
import { useDerived } from '../client/useDerived';
import { Wide } from '../../ui/Wide/Wide';
import styles from './Why.module.css';

interface WhyProps {
  passKey: string;
  /** Changes when the figure may have changed: an open answer is fetched again. */
  version: unknown;
}

/** Opens to where the figure of a pass comes from: the norm and what it is multiplied by, the rows, and what more rows would do. */
export function Why({ passKey, version }: WhyProps) {
  const [isOpen, setOpen] = useState(false);
  const ask = useCallback(
    async () => ({ of: passKey, picture: await send<WhyPicture>('GET', `/api/why?pass=${encodeURIComponent(passKey)}`) }),
    [passKey],
  );
  const { value: why, error } = useDerived(isOpen ? ask : null, { keeps: true, version });
  return (
    <details className={styles.why} data-testid="why-figure" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>Why this figure?</summary>
      {error && <p role="alert">{error}</p>}
      {why?.of === passKey && <Answer {...why.picture} />}
    </details>
  );
}

function Answer({ technique, stretch, explanation, rows }: WhyPicture) {
  const { norm, factors, p10, p50, p90, next, stretches } = explanation;
  const label = factsOf(technique).label.toLowerCase();
  return (
    <>
      <Wide label="What a model takes, by reasons">
        <table>
          <tbody>
            <tr>
              <th scope="row">The norm for {label}, this size and share</th>
              <td>{minutesText(norm)}</td>
            </tr>
            {factors.map(({ of, factor }) => (
              <tr key={of}>
                <th scope="row">{wordsOf(of, label, stretch, explanation)}</th>
                <td>× {plain(factor, 2, 2)}</td>
              </tr>
            ))}
            <tr className={styles.sum}>
              <th scope="row">A model, expected</th>
              <td>{minutesText(p50)}</td>
            </tr>
          </tbody>
        </table>
      </Wide>
      <p>
        8 in 10 such jobs take {minutesText(p10)} to {minutesText(p90)} a model. {counted(next.stretches, 'more row')} like it would narrow
        that to {minutesText(next.p10)} to {minutesText(next.p90)}; if each took {percentText(next.slower)} longer than expected, the figure
        would become {minutesText(next.ifSlower)}.
      </p>
      {rows.length > 0 && (
        <>
          <p>The last of {counted(stretches.step, 'row')} of this step:</p>
          <ul>
            {rows.map((row) => {
              const minutes = minutesThatCount(row);
              return (
                <li key={row.id}>
                  {dayOfText(Date.parse(row.startedAt))}, {counted(row.models, 'model')}:{' '}
                  {minutes === null ? 'time not known' : `${minutesText(minutes / row.weight)} a model`}
                  {row.verdict === 'left out' ? ', left out' : row.odd && row.verdict === 'unsure' ? `, ${row.odd}?` : ''}
                </li>
              );
            })}
          </ul>
        </>
      )}
    </>
  );
}

function wordsOf(
  of: Explanation['factors'][number]['of'],
  technique: string,
  { done, models }: WhyPicture['stretch'],
  { stretches, saved }: Explanation,
): string {
  switch (of) {
    case 'pace':
      return `Your pace now (${counted(stretches.all, 'row')} logged)`;
    case 'technique':
      return `You at ${technique} (${counted(stretches.technique, 'row')})`;
    case 'size':
      return 'You on models of this size';
    case 'unit':
      return 'This unit';
    case 'step':
      return `This step (${counted(stretches.step, 'row')})`;
    case 'repetition':
      return `Repetition: ${models === 1 ? `model ${done + 1}` : `models ${done + 1} to ${done + models}`} of the step, ${percentText(saved)} saved at each doubling`;
    case 'leaders':
      return 'Leaders among them, beyond their factor';
  }
}
