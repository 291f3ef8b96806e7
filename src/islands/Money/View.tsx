import type { MoneyPicture } from '../../contract/money';
import { Opened } from '../shared/Opened';
import { dayOfText } from '../../ui/format';
import { PlanLine } from '../shared/PlanLine';
import { ScopeChanges } from '../shared/ScopeChanges';
import { Alternatives } from './price/Alternatives';
import { Comparison } from './account/Comparison';
import { NotDone } from './account/NotDone';
import { OpenCounts } from './price/OpenCounts';
import { PricePanel } from './price/PricePanel';
import { Quotes } from './price/Quotes';
import { StatementPanel } from './account/StatementPanel';
import { Terms } from './price/Terms';
import { useMoney } from './useMoney';
import { WhatItPays } from './price/WhatItPays';
import styles from './View.module.css';

export function MoneyView({ commissionId }: { commissionId: string }) {
  return (
    <Opened<MoneyPicture> url={`/api/commissions/${commissionId}/money`} what="the price">
      {(picture, reload) => <OpenedMoney picture={picture} onChanged={reload} />}
    </Opened>
  );
}

function OpenedMoney({ picture, onChanged }: { picture: MoneyPicture; onChanged: () => void }) {
  const money = useMoney(picture);
  const { commission, rate, changes, quotes } = picture;
  const price = (
    <>
      <div className={styles.columns}>
        <Terms money={money} commission={commission} rate={rate} quotes={quotes} paint={picture.paint} />
        <div className={styles.column}>
          <PricePanel picture={picture} money={money} />
          <Quotes picture={picture} money={money} onChanged={onChanged} />
        </div>
      </div>
      <Alternatives picture={picture} money={money} />
    </>
  );
  const pay = (
    <>
      <WhatItPays picture={picture} />
      {quotes.length + changes.length > 0 && (
        <ScopeChanges commissionId={commission.id} agreedAt={commission.agreedAt} changes={changes} rate={rate} onChanged={onChanged} />
      )}
      <Comparison picture={picture} money={money} />
      <StatementPanel picture={picture} money={money} />
    </>
  );
  if (commission.closedAt === null)
    return (
      <div className={styles.view}>
        <OpenCounts picture={picture} />
        <NotDone picture={picture} />
        {money.price.likely > 0 && (
          <PlanLine kind="main" commissionId={commission.id} className={styles.toLine}>
            Next: in which order?
          </PlanLine>
        )}
        {price}
        {pay}
      </div>
    );
  return (
    <div className={styles.view}>
      <p>
        <strong>{commission.name}</strong> for {commission.client}, handed over {dayOfText(Date.parse(commission.closedAt))}.
      </p>
      <OpenCounts picture={picture} />
      <NotDone picture={picture} />
      {pay}
      {price}
    </div>
  );
}
