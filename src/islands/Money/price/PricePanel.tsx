import type { PricedWork } from '../../../core/money/definitions';
import type { MoneyPicture } from '../../../contract/money';
import { Panel } from '../../../ui/Panel/Panel';
import { cx } from '../../../ui/cx';
import { exactMoneyText, minutesText, percentText } from '../../../ui/format';
import { Moved } from '../account/Moved';
import type { Money } from '../useMoney';
import { SortHead } from '../../shared/sort/SortHead';
import { useSorted } from '../../shared/sort/useSorted';
import { Wide } from '../../../ui/Wide/Wide';
import styles from '../View.module.css';

const TOTAL = 'Total';

/** What a quote would say now, and how every amount comes about. */
export function PricePanel({ picture, money }: { picture: MoneyPicture; money: Money }) {
  const { price, terms } = money;
  const { rate } = picture;
  const { rows, sorting } = useSorted(price.units, {
    name: (unit) => unit.name,
    models: (unit) => unit.models,
    likely: (unit) => unit.likely,
    safe: (unit) => unit.safe,
    price: (unit) => unit.priceMinor,
    each: (unit) => unit.priceMinor / unit.models,
  });
  const amount = (minor: number) => exactMoneyText(minor, rate.currency);
  if (price.likely === 0)
    return (
      <Panel title="The quote">
        <p>
          Nothing to price yet: <a href={`/c/${picture.commission.id}/scheme`}>give a unit its steps first</a>.
        </p>
      </Panel>
    );
  return (
    <Panel title={`The quote as it would be now: ${amount(price.totalMinor)}`}>
      <p data-testid="holds">
        {holdsWords(price)} Expected {minutesText(price.likely)}; paid for {minutesText(price.quoted)}, which are enough in{' '}
        {Math.round(terms.chance * 100)} of 100 simulations.
      </p>
      <Moved picture={picture} money={money} />
      <Wide>
        <table className={styles.table} data-testid="price-units">
          <thead>
            <tr>
              <SortHead sorting={sorting} by="name">
                Unit
              </SortHead>
              <SortHead sorting={sorting} by="models">
                Models
              </SortHead>
              <SortHead sorting={sorting} by="likely">
                Expected
              </SortHead>
              <SortHead sorting={sorting} by="safe">
                Cautious hours of this unit alone
              </SortHead>
              <SortHead sorting={sorting} by="price">
                Price
              </SortHead>
              <SortHead sorting={sorting} by="each">
                A model
              </SortHead>
            </tr>
          </thead>
          <tbody>
            {rows.map((unit) => (
              <tr key={unit.unitId}>
                <th scope="row">{unit.name}</th>
                <td>{unit.models}</td>
                <td>{unit.likely === 0 ? 'no scheme yet' : minutesText(unit.likely)}</td>
                <td>{minutesText(unit.safe)}</td>
                <td>{amount(unit.priceMinor)}</td>
                <td>{amount(Math.round(unit.priceMinor / unit.models))}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Wide>
      <dl className={styles.sum} data-testid="price-sum">
        {sumRows(price, terms.discountShare, terms.depositShare, amount, rate.hourlyRateMinor).map(([what, value]) => (
          <div key={what} className={cx(what === TOTAL && styles.total)}>
            <dt>{what}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </dl>
    </Panel>
  );
}

const holdsWords = ({ adjustedFor, holds }: PricedWork): string =>
  adjustedFor === 'rounding' ? '' : `At this price the hours are enough in ${Math.round(holds * 100)} of 100 simulations.`;

function sumRows(
  price: PricedWork,
  discountShare: number,
  depositShare: number,
  amount: (minor: number) => string,
  hourlyRateMinor: number,
): [string, string][] {
  const hours = `${minutesText(price.quoted)}${price.otherMinutes > 0 ? ` and ${minutesText(price.otherMinutes)} of other work` : ''}`;
  const adjusted = { rounding: 'Rounded up to whole units', minimum: 'Up to the minimum charge', 'own price': 'To the agreed price' }[
    price.adjustedFor
  ];
  return [
    [`${hours} at ${amount(hourlyRateMinor)}`, amount(price.workMinor)],
    ...(price.discountMinor < 0
      ? [[`Repeat discount, ${percentText(discountShare)}`, amount(price.discountMinor)] as [string, string]]
      : []),
    ...(price.adjustedMinor === 0 ? [] : [[adjusted, amount(price.adjustedMinor)] as [string, string]]),
    ['Materials', amount(price.materialsMinor)],
    [TOTAL, amount(price.totalMinor)],
    ...(price.depositMinor > 0
      ? [[`Deposit, ${percentText(depositShare)} rounded up`, amount(price.depositMinor)] as [string, string]]
      : []),
  ];
}
