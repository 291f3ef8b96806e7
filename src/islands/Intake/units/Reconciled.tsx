import type { Reconciliation } from '../../../core/commission/reconcile';
import type { Undone } from '../../../core/commission/undone';
import { UndoneList } from '../../shared/UndoneList';
import { Panel } from '../../../ui/Panel/Panel';
import { counted } from '../../../ui/format';
import { SortHead } from '../../shared/sort/SortHead';
import { useSorted } from '../../shared/sort/useSorted';
import { Wide } from '../../../ui/Wide/Wide';
import own from './units.module.css';
import styles from '../View.module.css';

interface ReconciledProps {
  rows: Reconciliation[];
  commissionId: string;
  /** What else stands between the commission and its hand-over. */
  undone: readonly Undone[];
}

/** Every model counted from the promise to the last coat, with whatever nobody paints as things stand. */
export function Reconciled({ rows, commissionId, undone }: ReconciledProps) {
  const { rows: shown, sorting } = useSorted(rows, {
    name: (row) => row.name,
    promised: (row) => row.promised,
    owned: (row) => row.owned,
    counted: (row) => row.counted,
    inTrays: (row) => row.inTrays,
    primed: (row) => row.primed,
    finished: (row) => row.finished,
    open: (row) => row.open.length,
  });
  const others = undone.filter(({ kind }) => kind !== 'open');
  const open = rows.reduce((sum, row) => sum + row.open.length, 0);
  const hrefs = { intake: '#units', scheme: `/c/${commissionId}/scheme`, bench: '/bench' } as const;
  return (
    <Panel title={open === 0 ? 'Every model is accounted for' : `${counted(open, 'thing')} to settle before every model is accounted for`}>
      <Wide>
        <table className={styles.figures} data-testid="reconciled">
          <thead>
            <tr>
              <SortHead sorting={sorting} by="name">
                Unit
              </SortHead>
              <SortHead sorting={sorting} by="promised">
                Promised
              </SortHead>
              <SortHead sorting={sorting} by="owned">
                Spare
              </SortHead>
              <SortHead sorting={sorting} by="counted">
                Counted
              </SortHead>
              <SortHead sorting={sorting} by="inTrays">
                In trays
              </SortHead>
              <SortHead sorting={sorting} by="primed">
                Primed
              </SortHead>
              <SortHead sorting={sorting} by="finished">
                Finished
              </SortHead>
              <SortHead sorting={sorting} by="open">
                Still open
              </SortHead>
            </tr>
          </thead>
          <tbody>
            {shown.map((row) => (
              <tr key={row.unitId} data-reconciled={row.name}>
                <th scope="row">{row.name}</th>
                <td>{row.promised}</td>
                <td>{row.owned === 0 ? '–' : row.owned}</td>
                <td>{row.counted ?? '?'}</td>
                <td>{row.inTrays}</td>
                <td>{row.primed ?? '–'}</td>
                <td>
                  {row.finished} of {row.toPaint}
                </td>
                <td className={own.openEnds}>
                  {row.open.length === 0
                    ? 'nothing'
                    : row.open.map((end, index) => (
                        <span key={end.what}>
                          {index > 0 && '; '}
                          <a href={end.at === 'scheme' ? `${hrefs.scheme}?unit=${row.unitId}` : hrefs[end.at]}>{end.what}</a>
                        </span>
                      ))}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Wide>
      {others.length > 0 && (
        <details className={own.beforeDelivery}>
          <summary>{counted(others.length, 'thing')} more before delivery</summary>
          <UndoneList undone={others} commissionId={commissionId} />
        </details>
      )}
    </Panel>
  );
}
