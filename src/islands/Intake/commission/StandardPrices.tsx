import { STANDARDS } from '../../../core/scheme/model/definitions';
import type { Commission } from '../../../core/commission/definitions';
import type { IntakeFigures } from '../../../contract/intakeFigures';
import { Panel } from '../../../ui/Panel/Panel';
import { cx } from '../../../ui/cx';
import { exactMoneyText, minutesText, moneyDifferenceText } from '../../../ui/format';
import { SortHead } from '../../shared/sort/SortHead';
import { useSorted } from '../../shared/sort/useSorted';
import { Wide } from '../../../ui/Wide/Wide';
import sheet from './commission.module.css';
import styles from '../View.module.css';

interface StandardPricesProps {
  figures: IntakeFigures;
  commission: Pick<Commission, 'standard' | 'currency'>;
  moneyHref: string;
  names: { id: string; name: string }[];
}

/** Hours of every unit at every standard, painted from the start, by the painter's own times, and what a quote would ask. */
export function StandardPrices({ figures, commission, moneyHref, names }: StandardPricesProps) {
  const minutesAt = (unitId: string, standard: string) =>
    figures.units.find((unit) => unit.unitId === unitId && unit.standard === standard)?.likely ?? 0;
  const { rows, sorting } = useSorted(names, {
    name: (unit) => unit.name,
    quick: (unit) => minutesAt(unit.id, 'quick'),
    table: (unit) => minutesAt(unit.id, 'table'),
    full: (unit) => minutesAt(unit.id, 'full'),
    display: (unit) => minutesAt(unit.id, 'display'),
  });
  return (
    <Panel title="What each standard takes, painted from the start">
      <Wide>
        <table className={styles.figures} data-testid="standards">
          <thead>
            <tr>
              <SortHead sorting={sorting} by="name">
                Unit
              </SortHead>
              {STANDARDS.map((standard) => (
                <SortHead key={standard} sorting={sorting} by={standard} className={cx(standard === commission.standard && styles.paidFor)}>
                  {standard === commission.standard ? `${standard}, paid for` : standard}
                </SortHead>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ id, name }) => (
              <tr key={id}>
                <th scope="row">{name}</th>
                {STANDARDS.map((standard) => (
                  <td key={standard} className={cx(standard === commission.standard && styles.paidFor)}>
                    {minutesText(minutesAt(id, standard))}
                  </td>
                ))}
              </tr>
            ))}
            <tr className={sheet.sum}>
              <th scope="row">All of it, expected</th>
              {figures.totals.map(({ standard, likely }) => (
                <td key={standard} className={cx(standard === commission.standard && styles.paidFor)}>
                  {minutesText(likely)}
                </td>
              ))}
            </tr>
            <tr>
              <th scope="row">All of it, cautious</th>
              {figures.totals.map(({ standard, safe }) => (
                <td key={standard} className={cx(standard === commission.standard && styles.paidFor)}>
                  {minutesText(safe)}
                </td>
              ))}
            </tr>
            <tr className={sheet.sum}>
              <th scope="row">Price</th>
              {figures.prices.map(({ standard, totalMinor }) => (
                <td key={standard} className={cx(standard === commission.standard && styles.paidFor)}>
                  {exactMoneyText(totalMinor, commission.currency)}
                </td>
              ))}
            </tr>
            {figures.agreedMinor !== null && (
              <tr>
                <th scope="row">Against the agreed {exactMoneyText(figures.agreedMinor, commission.currency)}</th>
                {figures.prices.map(({ standard, totalMinor }) => (
                  <td key={standard} className={cx(standard === commission.standard && styles.paidFor)}>
                    {moneyDifferenceText(totalMinor - figures.agreedMinor!, commission.currency)}
                  </td>
                ))}
              </tr>
            )}
          </tbody>
        </table>
      </Wide>
      <p className={sheet.hint}>
        At the bench: hands-on, set-up, waiting and touch-up. Cautious is enough in 80 of 100 simulations. The price holds in{' '}
        {Math.round(figures.chance * 100)} of 100, <a href={moneyHref}>with the terms and materials at Money</a>.
      </p>
    </Panel>
  );
}
