import type { Today } from '../../contract/today';
import type { ReadyModels } from '../../core/finish/progress';
import { pictureUrl } from '../../contract/pictureUrl';
import { Panel } from '../../ui/Panel/Panel';
import { counted, dayOfText } from '../../ui/format';
import styles from './View.module.css';

const MOST = 5;

/** What became ready today and this week: the batch feels slow, and is not. */
export function Ready({ progress }: { progress: Today['progress'] }) {
  const { today, week, pictures } = progress;
  const stages = week.stages.slice(0, MOST);
  if (week.modelSteps === 0 && week.ready.length === 0 && stages.length === 0) return null;
  return (
    <Panel title="Done this week">
      <p data-testid="done-this-week">
        {counted(week.modelSteps, 'model-step')}, {today.modelSteps} of them today.{' '}
        {week.ready.length === 0
          ? 'No model is finished yet.'
          : `${counted(sum(week.ready), 'model')} finished${sum(today.ready) > 0 ? `, ${sum(today.ready)} of them today` : ''}.`}
      </p>
      <ul className={styles.list}>
        {week.ready.map((each) => (
          <li key={each.unitId} className={styles.ready}>
            {pictures[each.unitId] !== undefined && <img src={pictureUrl(pictures[each.unitId]!)} alt="" loading="lazy" />}
            <span>
              <a href={`/c/${each.commissionId}/finish`}>{each.unit}</a>: {each.isWhole ? 'all' : each.models.length} finished
            </span>
          </li>
        ))}
        {stages.map((stage) => (
          <li key={`${stage.unitId} ${stage.name}`}>
            {stage.unit}: {stage.name} reached {dayOfText(stage.at)}
            {stage.usable && ', usable from here'}
          </li>
        ))}
      </ul>
    </Panel>
  );
}

const sum = (ready: readonly ReadyModels[]): number => ready.reduce((total, { models }) => total + models.length, 0);
