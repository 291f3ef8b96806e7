import { MINUTE_MS } from '../../core/kernel/timeUnits';
import type { Today } from '../../contract/today';
import { Panel } from '../../ui/Panel/Panel';
import { Swatch } from '../../ui/Swatch/Swatch';
import { counted, dayOfText, minutesText, timeOfDayText } from '../../ui/format';
import styles from './View.module.css';

interface TonightProps {
  tonight: NonNullable<Today['tonight']>;
  paints: Today['paints'];
  now: number;
}

/** The session going on or coming next, as planned, job by job, until its end. */
export function Tonight({ tonight, paints, now }: TonightProps) {
  const { from, to, jobs } = tonight;
  const several = new Set(jobs.map((job) => job.commissionName)).size > 1;
  const isNow = from <= now + MINUTE_MS;
  return (
    <Panel
      title={
        isNow
          ? `This session, until ${timeOfDayText(to)}`
          : `Next session: ${dayOfText(from)}, ${timeOfDayText(from)} to ${timeOfDayText(to)}`
      }
      scrolls
    >
      <table className={styles.tonight} data-testid="tonight">
        <thead>
          <tr>
            <th scope="col">From</th>
            <th scope="col">Paint</th>
            <th scope="col">Step</th>
            <th scope="col">Unit</th>
            <th scope="col">Takes</th>
          </tr>
        </thead>
        <tbody>
          {jobs.map((job) => {
            const paint = paints.find((each) => each.id === job.paintId);
            return (
              <tr key={`${job.from} ${job.unitName} ${job.what}`}>
                <td>{timeOfDayText(job.from)}</td>
                <td className={styles.paint}>
                  <Swatch hex={paint?.hex ?? null} kind={null} /> {paint?.name ?? ''}
                </td>
                <td>{job.what}</td>
                <td>
                  {job.unitName}, {counted(job.models, 'model')}
                  {several && `, ${job.commissionName}`}
                </td>
                <td>{minutesText((job.to - job.from) / MINUTE_MS)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </Panel>
  );
}
