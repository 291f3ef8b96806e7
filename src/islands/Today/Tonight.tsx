import { MINUTE_MS } from '../../core/kernel/timeUnits';
import type { Today } from '../../contract/today';
import { Panel } from '../../ui/Panel/Panel';
import { Swatch } from '../../ui/Swatch/Swatch';
import { counted, dayOfText, minutesText, timeOfDayText } from '../../ui/format';
import { SortHead } from '../shared/sort/SortHead';
import { useSorted } from '../shared/sort/useSorted';
import styles from './View.module.css';

interface TonightProps {
  tonight: NonNullable<Today['tonight']>;
  paints: Today['paints'];
  now: number;
}

/** The session going on or coming next, as planned, job by job, until its end. */
export function Tonight({ tonight, paints, now }: TonightProps) {
  const { from, to, jobs } = tonight;
  const nameOf = (id: string | null) => paints.find((each) => each.id === id)?.name;
  const { rows, sorting } = useSorted(jobs, {
    from: (job) => job.from,
    paint: (job) => nameOf(job.paintId),
    what: (job) => job.what,
    unit: (job) => job.unitName,
    takes: (job) => job.to - job.from,
  });
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
            <SortHead sorting={sorting} by="from">
              From
            </SortHead>
            <SortHead sorting={sorting} by="paint">
              Paint
            </SortHead>
            <SortHead sorting={sorting} by="what">
              Step
            </SortHead>
            <SortHead sorting={sorting} by="unit">
              Unit
            </SortHead>
            <SortHead sorting={sorting} by="takes">
              Takes
            </SortHead>
          </tr>
        </thead>
        <tbody>
          {rows.map((job) => {
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
