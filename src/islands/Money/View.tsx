import type { MoneyPicture } from '../../core/views/money';
import { Notice } from '../../ui/Notice/Notice';
import { ScopeChanges } from '../shared/ScopeChanges';
import { usePicture } from '../shared/usePicture';
import { Alternatives } from './Alternatives';
import { Comparison } from './Comparison';
import { PricePanel } from './PricePanel';
import { Quotes } from './Quotes';
import { StatementPanel } from './StatementPanel';
import { Terms } from './Terms';
import { useMoney } from './useMoney';
import { WhatItPays } from './WhatItPays';
import styles from './View.module.css';

export function MoneyView({ commissionId }: { commissionId: string }) {
  const { picture, error, reload } = usePicture<MoneyPicture>(`/api/commissions/${commissionId}/money`);
  if (picture) return <OpenedMoney picture={picture} onChanged={reload} />;
  if (error === null) return <p role="status">Working out the price …</p>;
  return (
    <Notice kind="flag" role="alert">
      {error}
    </Notice>
  );
}

function OpenedMoney({ picture, onChanged }: { picture: MoneyPicture; onChanged: () => void }) {
  const money = useMoney(picture);
  const { commission, rate, changes, quotes } = picture;
  return (
    <div className={styles.view}>
      <div className={styles.columns}>
        <Terms money={money} commission={commission} rate={rate} />
        <div className={styles.column}>
          <PricePanel picture={picture} money={money} />
          <Quotes picture={picture} money={money} onChanged={onChanged} />
        </div>
      </div>
      <Alternatives picture={picture} money={money} />
      <WhatItPays picture={picture} />
      {quotes.length + changes.length > 0 && (
        <ScopeChanges commissionId={commission.id} agreedAt={commission.agreedAt} changes={changes} rate={rate} onChanged={onChanged} />
      )}
      <Comparison picture={picture} money={money} />
      <StatementPanel picture={picture} money={money} />
    </div>
  );
}
