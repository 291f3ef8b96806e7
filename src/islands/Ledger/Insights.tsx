import type { LogInsights } from '../../contract/insights';
import { Opened } from '../shared/Opened';
import { GettingFaster } from './insights/GettingFaster';
import { Hours } from './insights/Hours';
import { Pace } from './insights/Pace';
import { WasItRight } from './insights/WasItRight';
import styles from './View.module.css';

/** What the log shows beside its rows; worked out after the page is there. */
export function Insights() {
  return (
    <Opened<LogInsights> url="/api/time-log/insights" what="what the log shows">
      {(insights) => (
        <div className={styles.insights}>
          <WasItRight {...insights} />
          <GettingFaster {...insights} />
          <Pace {...insights} />
          <Hours {...insights} />
        </div>
      )}
    </Opened>
  );
}
