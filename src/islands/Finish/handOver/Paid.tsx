import { useCallback } from 'react';
import { agreedQuote } from '../../../core/money/definitions';
import { byHours, priceWork } from '../../../core/money/priceWork';
import type { MoneyPicture } from '../../../contract/money';
import { Button } from '../../../ui/Button/Button';
import { Panel } from '../../../ui/Panel/Panel';
import { exactMoneyText, minutesText } from '../../../ui/format';
import { send } from '../../client/api';
import { useDerived } from '../../client/useDerived';
import { Working } from '../../../ui/Working/Working';
import shared from '../View.module.css';

/** The hours that it took, what they paid, and what the same again should be quoted at. */
export function Paid({ commissionId }: { commissionId: string }) {
  const ask = useCallback(() => send<MoneyPicture>('GET', `/api/commissions/${commissionId}/money`), [commissionId]);
  const { value, error, again } = useDerived(ask);
  return (
    <Panel title="Hours and pay" aside={<a href={`/c/${commissionId}/money`}>Money</a>}>
      {error !== null && (
        <p role="alert">
          {error} <Button onClick={again}>Try again</Button>
        </p>
      )}
      {value ? (
        <Figures picture={value} />
      ) : (
        error === null && (
          <p role="status">
            <Working label="Working it out …" />
          </p>
        )
      )}
    </Panel>
  );
}

function Figures({ picture: { hours, agreed, quotes, units, terms, rate } }: { picture: MoneyPicture }) {
  const next = priceWork(units, byHours(terms), rate);
  const quote = agreedQuote(quotes);
  const perHour = agreed?.pay.soFar.perHourMinor ?? null;
  return (
    <ul className={shared.list} data-testid="paid">
      <li>Took {minutesText(hours.painted + hours.other)}</li>
      <li>
        {agreed && perHour !== null
          ? `Paid ${exactMoneyText(Math.round(perHour), rate.currency)} an hour`
          : 'No quote was accepted, so no pay is known'}
      </li>
      <li>
        The same again: {exactMoneyText(next.totalMinor, rate.currency)}
        {quote && `, quoted at ${exactMoneyText(quote.offer.price.totalMinor, rate.currency)}`}
      </li>
    </ul>
  );
}
