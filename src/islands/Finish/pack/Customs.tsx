import { Notice } from '../../../ui/Notice/Notice';
import { Panel } from '../../../ui/Panel/Panel';
import type { Finish } from '../useFinish';
import styles from './pack.module.css';

/** What the carrier or the customs want to know; it stands on the packing list. */
export function Customs({ finish }: { finish: Finish }) {
  const { delivery } = finish.finishing;
  return (
    <Panel title="For the carrier and customs">
      <textarea
        className={styles.customs}
        aria-label="For the carrier and customs"
        rows={4}
        maxLength={4000}
        placeholder="Hand-painted plastic models, a hobby commission; value; who pays duty"
        value={delivery.customs}
        onChange={(event) => finish.change({ delivery: { ...delivery, customs: event.target.value } })}
      />
      <Notice kind="caution">
        No spray cans, paints, thinners or other liquids in the parcel: carriers refuse them, and they spoil what lies beside them. The
        carrier’s rules come first.
      </Notice>
    </Panel>
  );
}
