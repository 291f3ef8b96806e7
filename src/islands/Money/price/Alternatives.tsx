import { useState } from 'react';
import type { PricedWork } from '../../../core/money/definitions';
import { agreedPrice } from '../../../core/money/agreedPrice';
import { byHours, priceWork } from '../../../core/money/priceWork';
import { STANDARDS } from '../../../core/scheme/model/definitions';
import type { MoneyPicture, MoreModels } from '../../../contract/money';
import { Button } from '../../../ui/Button/Button';
import { SelectField } from '../../../ui/Field/Field';
import { NumberField } from '../../../ui/Field/NumberField';
import { Panel } from '../../../ui/Panel/Panel';
import { cx } from '../../../ui/cx';
import { exactMoneyText, minutesText, moneyDifferenceText } from '../../../ui/format';
import { send } from '../../client/api';
import type { Money } from '../useMoney';
import { Wide } from '../../../ui/Wide/Wide';
import styles from '../View.module.css';

const TWENTY = 20;

/** The same models at each standard, and more of them. */
export function Alternatives({ picture, money }: { picture: MoneyPicture; money: Money }) {
  const { standards, commission, rate } = picture;
  if (money.price.likely === 0) return null;
  const terms = byHours(money.terms);
  const priced = standards.map(({ standard, all }) => ({ standard, price: priceWork([all], terms, rate) }));
  const agreed = agreedPrice(picture.quotes, picture.changes, money.terms);
  /** What the others are told against: what is agreed, or the same by hours. */
  const than = agreed ?? priced.find(({ standard }) => standard === commission.standard)!.price.totalMinor;
  const notch = (standard: (typeof priced)[number]['standard']) => {
    const away = STANDARDS.indexOf(standard) - STANDARDS.indexOf(commission.standard);
    return ['one level lower', 'as it is', 'one level higher'][away + 1] ?? '';
  };
  return (
    <Panel title="What would another standard or another number cost?">
      <Wide>
        <table className={styles.table} data-testid="alternatives">
          <thead>
            <tr>
              <th scope="col">Standard</th>
              <th scope="col">Expected</th>
              <th scope="col">Hours paid</th>
              <th scope="col">Total</th>
              <th scope="col">{agreed === null ? 'Difference' : `Against the agreed ${exactMoneyText(agreed, rate.currency)}`}</th>
            </tr>
          </thead>
          <tbody>
            {priced.map(({ standard, price }) => (
              <PriceRow
                key={standard}
                name={[standard, notch(standard)].filter((part) => part !== '').join(', ')}
                price={price}
                than={agreed === null && standard === commission.standard ? null : than}
                currency={rate.currency}
                isIt={standard === commission.standard}
              />
            ))}
            <More picture={picture} money={money} than={than} />
          </tbody>
        </table>
      </Wide>
    </Panel>
  );
}

interface PriceRowProps {
  name: React.ReactNode;
  price: PricedWork;
  /** Minor units; null where there is no difference to tell. */
  than: number | null;
  currency: string;
  isIt?: boolean;
}

function PriceRow({ name, price, than, currency, isIt = false }: PriceRowProps) {
  return (
    <tr className={cx(isIt && styles.paidFor)}>
      <th scope="row">{name}</th>
      <td>{minutesText(price.likely)}</td>
      <td>{minutesText(price.quoted)}</td>
      <td>{exactMoneyText(price.totalMinor, currency)}</td>
      <td>{than === null ? '' : moneyDifferenceText(price.totalMinor - than, currency)}</td>
    </tr>
  );
}

/** More models of a unit, or fewer. */
function More({ picture, money, than }: { picture: MoneyPicture; money: Money; than: number }) {
  const { units, rate, commission } = picture;
  const [unitId, setUnit] = useState(units[0]!.unitId);
  const [more, setMore] = useState(TWENTY);
  const [found, setFound] = useState<(MoreModels & { more: number }) | null>(null);
  const [error, setError] = useState<string | null>(null);
  const unit = units.find((each) => each.unitId === unitId) ?? units[0]!;
  const work = () =>
    void send<MoreModels>('GET', `/api/commissions/${commission.id}/money/more?unit=${encodeURIComponent(unit.unitId)}&more=${more}`).then(
      (answer) => {
        setFound({ ...answer, more });
        setError(null);
      },
      (problem: Error) => setError(problem.message),
    );
  const shown = found && found.unitId === unit.unitId && found.more === more ? found : null;
  return (
    <>
      <tr>
        <td colSpan={5}>
          <span className={styles.more}>
            <NumberField
              live
              label="More models"
              hideLabel
              min={-500}
              max={500}
              whole
              value={more}
              onChange={(count) => setMore(count ?? 0)}
            />
            <span>more of</span>
            <SelectField
              label="Of unit"
              hideLabel
              value={unit.unitId}
              options={units.map(({ unitId: value, name }) => ({ value, label: name }))}
              onChange={setUnit}
            />
            <Button onClick={work}>Work it out</Button>
            {error && <span role="alert">{error}</span>}
          </span>
        </td>
      </tr>
      {shown && (
        <PriceRow
          name={`${unit.name}: ${shown.models} models instead of ${unit.models}`}
          price={priceWork(shown.units, byHours(money.terms), rate)}
          than={than}
          currency={rate.currency}
        />
      )}
    </>
  );
}
