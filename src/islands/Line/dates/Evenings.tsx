import { useMemo } from 'react';
import type { LinePlan } from '../../../core/line/definitions';
import { eveningsOf, longestRuns } from '../../../core/plan/build/stamina';
import { labelOf } from '../../../core/scheme/model/techniques';
import type { LinePicture } from '../../../contract/line';
import { Bar } from '../../../ui/Bar/Bar';
import { counted, dayOfText, minutesText, percentText } from '../../../ui/format';
import type { LineTimes } from '../../shared/LineTimes';
import styles from './dates.module.css';

/** What becomes ready session by session, and the longest that the order stays with one thing. */
export function Evenings({ picture, plan, times }: { picture: LinePicture; plan: LinePlan; times: LineTimes }) {
  const { evenings, runs } = useMemo(() => {
    const jobs = new Map(picture.jobs.map((job) => [job.id, job]));
    return {
      evenings: eveningsOf(picture.jobs, plan.jobs, (minute) => times.sessionOf(minute)),
      runs: longestRuns(plan.order.map((id) => jobs.get(id)!)),
    };
  }, [picture, plan, times]);
  const { identical, job } = runs;
  return (
    <>
      <p data-testid="runs">
        Longest with the same models: {identical.unitName}, {minutesText(identical.minutes)} of work. Longest job:{' '}
        {labelOf(job.info).toLowerCase()} on {counted(job.info.models.length, 'model')} of {job.info.unitName}, {minutesText(job.minutes)}.
      </p>
      <ul className={styles.evenings} aria-label="Ready, session by session">
        {evenings.map(({ session, ready, doneShare }) => (
          <li key={session}>
            <strong>{dayOfText(times.momentOf(times.sessions![session]!.from)!)}</strong>: {percentText(doneShare)} of this line done
            {ready.length > 0 && `; ready: ${ready.map(readyText).join(', ')}`}
            <Bar full={1} label={`${percentText(doneShare)} done`} parts={[{ label: 'done', value: doneShare, look: 'solid' }]} />
          </li>
        ))}
      </ul>
    </>
  );
}

const readyText = ({ unitName, models, isWhole }: { unitName: string; models: number; isWhole: boolean }): string =>
  isWhole ? `${unitName} complete` : `${counted(models, 'model')} of ${unitName}`;
