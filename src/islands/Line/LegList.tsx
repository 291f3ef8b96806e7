import type { LinePlan } from '../../core/line/definitions';
import { factsOf } from '../../core/scheme/techniques';
import type { LinePicture } from '../../core/views/line';
import { Panel } from '../../ui/Panel/Panel';
import { Swatch } from '../../ui/Swatch/Swatch';
import { cx } from '../../ui/cx';
import { counted, minutesText } from '../../ui/format';
import styles from './View.module.css';

interface LegListProps {
  picture: LinePicture;
  plan: LinePlan;
  selected: number;
  onSelect: (place: number) => void;
}

/** The legs in order, as they would be read out at the bench. */
export function LegList({ picture, plan, selected, onSelect }: LegListProps) {
  const jobs = new Map(picture.jobs.map((job) => [job.id, job]));
  const setups = new Map(picture.setups.map((setup) => [setup.id, setup]));
  const selectedId = plan.order[Math.min(selected, plan.order.length - 1)];
  return (
    <Panel title={counted(plan.legs.length, 'leg')}>
      <ol className={styles.legs}>
        {plan.legs.map((leg, index) => {
          const setup = setups.get(leg.setup)!;
          const legJobs = leg.jobs.map((id) => jobs.get(id)!);
          const units = [...new Set(legJobs.map((job) => job.unitName))];
          return (
            <li key={`${leg.setup} ${leg.from}`}>
              <button
                type="button"
                className={cx(styles.leg, leg.jobs.includes(selectedId!) && styles.inHand)}
                onClick={() => onSelect(plan.order.indexOf(leg.jobs[0]!))}
              >
                <span className={styles.legNumber}>{index + 1}</span>
                <Swatch hex={setup.paint?.hex ?? null} kind={setup.paint?.kind ?? null} />
                <span>
                  {factsOf(setup.technique).label} {setup.paint?.name}
                  <small>{units.join(', ')}</small>
                </span>
                <span className={styles.figure}>{minutesText(leg.to - leg.from)}</span>
              </button>
            </li>
          );
        })}
      </ol>
    </Panel>
  );
}
