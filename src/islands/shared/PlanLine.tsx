import { useState, type ReactNode } from 'react';
import { wholeCommission } from '../../core/plan/selection';
import { Button } from '../../ui/Button/Button';
import { send } from '../client/api';

interface PlanLineProps {
  commissionId: string;
  kind?: 'main' | 'plain';
  className?: string | undefined;
  children: ReactNode;
}

/** The way to the line of a commission: its units are chosen, so it is a button and no link. */
export function PlanLine({ commissionId, kind = 'plain', className, children }: PlanLineProps) {
  const [error, setError] = useState<string | null>(null);
  const go = () =>
    void send('PUT', '/api/line/units', { selection: wholeCommission(commissionId) }).then(
      () => window.location.assign('/line'),
      (problem: Error) => setError(problem.message),
    );
  return (
    <>
      <Button kind={kind} className={className} onClick={go}>
        {children}
      </Button>
      {error && <span role="alert">{error}</span>}
    </>
  );
}
