import { alternatives, type StepMinutes } from '../../../core/scheme/advice/alternatives';
import type { Scheme, Standard } from '../../../core/scheme/model/definitions';
import { differenceText } from '../../../ui/format';
import { SortHead } from '../../shared/sort/SortHead';
import { useSorted } from '../../shared/sort/useSorted';
import { Wide } from '../../../ui/Wide/Wide';
import styles from './WhatIf.module.css';
import view from '../View.module.css';

interface WhatIfProps {
  scheme: Scheme;
  /** What the client pays for. */
  standard: Standard;
  minutesOf: StepMinutes;
}

/** What other ways of painting this unit would cost or save, side by side, before anything is decided. */
export function WhatIf({ scheme, standard, minutesOf }: WhatIfProps) {
  const ways = alternatives(scheme, standard, minutesOf);
  const { rows, sorting } = useSorted(ways, { what: (way) => way.what, minutes: (way) => way.minutes });
  if (ways.length === 0) return null;
  return (
    <details className={view.section} data-testid="what-if">
      <summary>What would it cost, or save?</summary>
      <Wide>
        <table className={styles.whatIf}>
          <thead>
            <tr>
              <SortHead sorting={sorting} by="what">
                Another way
              </SortHead>
              <SortHead sorting={sorting} by="minutes">
                Hands-on, over the unit
              </SortHead>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ what, minutes }) => (
              <tr key={what}>
                <td>{what}</td>
                <td>{differenceText(minutes)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Wide>
    </details>
  );
}
