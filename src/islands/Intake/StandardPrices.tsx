import { STANDARDS, type Commission } from '../../core/scheme/definitions';
import type { IntakeFigures } from '../../core/views/intakeFigures';
import { Panel } from '../../ui/Panel/Panel';
import { cx } from '../../ui/cx';
import { minutesText, moneyText } from '../../ui/format';
import styles from './View.module.css';

interface StandardPricesProps {
  figures: IntakeFigures;
  commission: Pick<Commission, 'standard' | 'hourlyRateMinor' | 'currency'>;
  names: { id: string; name: string }[];
}

/** Hours and price of every unit at every standard, painted from the start, by the painter's own times. */
export function StandardPrices({ figures, commission, names }: StandardPricesProps) {
  const price = (minutes: number) => moneyText((minutes / 60) * commission.hourlyRateMinor, commission.currency);
  const minutesAt = (unitId: string, standard: string) =>
    figures.units.find((unit) => unit.unitId === unitId && unit.standard === standard)?.likely ?? 0;
  return (
    <Panel title="What each standard takes, painted from the start">
      <table className={styles.figures} data-testid="standards">
        <thead>
          <tr>
            <th scope="col">Unit</th>
            {STANDARDS.map((standard) => (
              <th key={standard} scope="col" className={cx(standard === commission.standard && styles.paidFor)}>
                {standard === commission.standard ? `${standard}, paid for` : standard}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {names.map(({ id, name }) => (
            <tr key={id}>
              <th scope="row">{name}</th>
              {STANDARDS.map((standard) => (
                <td key={standard} className={cx(standard === commission.standard && styles.paidFor)}>
                  {minutesText(minutesAt(id, standard))} <small>{price(minutesAt(id, standard))}</small>
                </td>
              ))}
            </tr>
          ))}
          <tr className={styles.sum}>
            <th scope="row">All of it, likely</th>
            {figures.totals.map(({ standard, likely }) => (
              <td key={standard} className={cx(standard === commission.standard && styles.paidFor)}>
                {minutesText(likely)} <small>{price(likely)}</small>
              </td>
            ))}
          </tr>
          <tr>
            <th scope="row">All of it, safe</th>
            {figures.totals.map(({ standard, safe }) => (
              <td key={standard} className={cx(standard === commission.standard && styles.paidFor)}>
                {minutesText(safe)} <small>{price(safe)}</small>
              </td>
            ))}
          </tr>
        </tbody>
      </table>
      <p className={styles.hint}>At the bench: hands-on, set-up, waiting and touch-up. Safe is met in 80 of 100 simulations.</p>
    </Panel>
  );
}
