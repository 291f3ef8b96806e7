import { useEffect, useEffectEvent, useState } from 'react';
import type { LinePlan } from '../../core/line/definitions';
import type { LinePicture } from '../../core/views/line';
import { Button, LinkButton } from '../../ui/Button/Button';
import { Notice } from '../../ui/Notice/Notice';
import { minutesText } from '../../ui/format';
import { send } from '../shared/api';
import { LegList } from './LegList';
import { RelayChart } from './RelayChart';
import { SharedLegs } from './SharedLegs';
import { StrategyTable } from './StrategyTable';
import { gapText, useLine } from './useLine';
import styles from './View.module.css';

export function LineView({ picture, commissionId }: { picture: LinePicture; commissionId: string }) {
  if (picture.jobs.length === 0) return <NothingToPlan picture={picture} commissionId={commissionId} />;
  return <PlannedLine picture={picture} commissionId={commissionId} />;
}

function NothingToPlan({ picture, commissionId }: { picture: LinePicture; commissionId: string }) {
  const waits = picture.waitingUnits.length > 0;
  return (
    <Notice>
      <p>
        {waits
          ? `Only test models may be painted and they are done: ${picture.waitingUnits.join(', ')} wait for the client's word.`
          : 'Nothing is left to paint here, or no unit has a scheme yet.'}
      </p>
      <LinkButton kind="main" href={`/c/${commissionId}/${waits ? 'intake' : 'scheme'}`}>
        {waits ? 'Say that the client is content' : 'Give the units a scheme'}
      </LinkButton>
    </Notice>
  );
}

function PlannedLine({ picture, commissionId }: { picture: LinePicture; commissionId: string }) {
  const line = useLine(picture);
  const [selected, setSelected] = useState(0);
  const [error, setError] = useState<string | null>(null);
  const takeUp = async () => {
    try {
      await send('POST', `/api/commissions/${commissionId}/runs`, { order: line.plan.order });
      window.location.assign(`/c/${commissionId}/bench`);
    } catch (problem) {
      setError((problem as Error).message);
    }
  };
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    const elsewhere = event.target instanceof HTMLElement && event.target.matches('input, select, textarea');
    if (event.key.toLowerCase() === 'b' && !elsewhere && !event.ctrlKey && !event.metaKey && !event.altKey) void takeUp();
  });
  useEffect(() => {
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  return (
    <div className={styles.view}>
      <div className={styles.top}>
        <p className={styles.total} role="status" data-searching={line.searching}>
          <strong>{minutesText(line.plan.total)}</strong> at the bench, {gapText(line.plan)}
          {line.searching && ', still looking …'}
        </p>
        <Gates picture={picture} />
        <span className={styles.actions}>
          <Downloads picture={picture} plan={line.plan} />
          <Button kind="main" onClick={() => void takeUp()}>
            {picture.hasOpenRun ? 'Lay this line out anew' : 'Take this line to the bench'}
          </Button>
        </span>
      </div>
      {error && (
        <Notice kind="flag" role="alert">
          {error}
        </Notice>
      )}
      <RelayChart picture={picture} plan={line.plan} selected={selected} onSelect={setSelected} />
      <div className={styles.below}>
        <StrategyTable strategies={line.strategies} />
        <SharedLegs shared={line.shared} strategies={line.strategies} />
        <LegList picture={picture} plan={line.plan} selected={selected} onSelect={setSelected} />
      </div>
    </div>
  );
}

function Gates({ picture }: { picture: LinePicture }) {
  const gates = [
    picture.waitingUnits.length > 0 && `${picture.waitingUnits.join(', ')}: only the test model until the client is content.`,
    picture.unitsWithoutScheme.length > 0 && `${picture.unitsWithoutScheme.join(', ')}: no scheme yet, so not on the line.`,
  ].filter(Boolean);
  return gates.length === 0 ? null : <p className={styles.gates}>{gates.join(' ')}</p>;
}

/** The problem and the plan in their open formats. */
function Downloads({ picture, plan }: { picture: LinePicture; plan: LinePlan }) {
  const save = (value: unknown, name: string) => {
    const url = URL.createObjectURL(new Blob([`${JSON.stringify(value, null, 1)}\n`], { type: 'application/json' }));
    const link = document.createElement('a');
    link.href = url;
    link.download = name;
    link.click();
    URL.revokeObjectURL(url);
  };
  return (
    <>
      <Button kind="quiet" onClick={() => save(picture.problem, 'line-problem.json')}>
        Save the problem
      </Button>
      <Button kind="quiet" onClick={() => save(plan, 'line-plan.json')}>
        Save the plan
      </Button>
    </>
  );
}
