import type { LinePlan } from '../../../core/line/definitions';
import type { LinePicture } from '../../../contract/line';
import { counted } from '../../../ui/format';
import { jobName } from './jobName';
import type { LineTimes } from '../../shared/LineTimes';
import type { Carry } from './useCarry';
import styles from './RelayChart.module.css';

function placesText({ places }: Carry): string {
  if (!places) return 'looking for its places …';
  return places.length === 0 ? 'the rules leave it no other place' : counted(places.length, 'place');
}

/** What is carried, where it is held, and what putting it down there would change. */
export function CarryDetails({ picture, plan, carry, times }: { picture: LinePicture; plan: LinePlan; carry: Carry; times: LineTimes }) {
  const place = carry.places?.[carry.over];
  const what = jobName(picture, plan.order[carry.from]!);
  const count = carry.end - carry.from;
  return (
    <div className={styles.job}>
      <span />
      <p>
        <strong>
          Carrying {what}
          {count > 1 && ` and ${count - 1} more of its leg`}
        </strong>
        {`: ${placesText(carry)}.`}
      </p>
      <p className={styles.why} data-testid="carry">
        {place
          ? `${place.to === 0 ? 'At the start' : `Behind ${jobName(picture, plan.order[place.to - 1]!)}`}: ${times.changeText(place, plan.finish)}.`
          : 'Where it came from.'}{' '}
        Arrows or the pointer move it, Enter or letting go puts it down, Escape puts it back.
      </p>
    </div>
  );
}
