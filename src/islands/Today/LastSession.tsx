import type { Today } from '../../contract/today';
import { counted, minutesText, momentText } from '../../ui/format';
import styles from './View.module.css';

/** The last evening in a line, and the one thing to look at first. */
export function LastSession({ last }: { last: NonNullable<Today['lastSession']> }) {
  return (
    <p className={styles.last} data-testid="last-session">
      Last session, {momentText(last.from)}: {minutesText(last.minutes)} hands-on, {counted(last.modelSteps, 'model-step')} on{' '}
      {last.units.join(', ')}.
      {last.lookFirst && (
        <>
          {' '}
          Look first at <a href={last.lookFirst.href}>{last.lookFirst.what}</a>.
        </>
      )}
    </p>
  );
}
