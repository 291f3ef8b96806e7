import { agreedQuote } from '../../../core/money/definitions';
import type { Earning } from '../../../core/money/payOf';
import type { MoneyPicture } from '../../../contract/money';
import { Panel } from '../../../ui/Panel/Panel';
import { counted, exactMoneyText, minutesText, moneyDifferenceText, percentText } from '../../../ui/format';
import { Wide } from '../../../ui/Wide/Wide';
import styles from '../View.module.css';

/** The agreed price against the hours: what an hour has paid so far, and what it will have paid in the end. */
export function WhatItPays({ picture }: { picture: MoneyPicture }) {
  const { hours, agreed, rate, commission, quotes } = picture;
  const { currency } = rate;
  const isOpen = commission.closedAt === null;
  const worked = `${minutesText(hours.painted)} painting with its set-ups${hours.other > 0 ? `, ${minutesText(hours.other)} of other work` : ''}`;
  if (!agreed)
    return (
      <Panel title="What does an hour pay?">
        <p data-testid="pay">
          {hours.painted + hours.other === 0 ? 'Nothing is logged for it yet.' : `So far ${worked}.`} <UnknownTimes hours={hours} /> When a
          quote is accepted, this shows what each hour pays.
        </p>
      </Panel>
    );
  const { pay } = agreed;
  const signed = (minor: number) => moneyDifferenceText(minor, currency);
  return (
    <Panel title="What does an hour pay?">
      <div data-testid="pay">
        <Wide label="What an hour pays">
          <table className={styles.table}>
            <thead>
              <tr>
                <th scope="col">
                  {isOpen && `${percentText(hours.done)} painted; `}
                  {worked}
                </th>
                <th scope="col">Hours</th>
                <th scope="col">Earned by the work</th>
                <th scope="col">For an hour</th>
              </tr>
            </thead>
            <tbody>
              <EarningRow name={isOpen ? 'So far' : 'In all'} earning={pay.soFar} currency={currency} />
              {isOpen && <EarningRow name="In the end, expected" earning={pay.likely} currency={currency} />}
              {isOpen && <EarningRow name="In the end, cautious" earning={pay.safe} currency={currency} />}
            </tbody>
          </table>
        </Wide>
        <p className={styles.hint}>
          {exactMoneyText(pay.quotedMinor, currency)} agreed
          {pay.addedMinor !== 0 && `, ${signed(pay.addedMinor)} for changes since`}, less {exactMoneyText(pay.materialsMinor, currency)} of
          materials: {exactMoneyText(pay.workMinor, currency)} for the work. Quoted at{' '}
          {exactMoneyText(agreedQuote(quotes)!.offer.hourlyRateMinor, currency)} an hour.
          {pay.free.minutes > 0 &&
            ` Given away free: ${minutesText(pay.free.minutes)}, ${exactMoneyText(Math.round(pay.free.minor), currency)} at that rate.`}
          {pay.unsettledMinor !== 0 && ` Changes without an agreed price yet: ${signed(pay.unsettledMinor)} at that rate.`}{' '}
          <UnknownTimes hours={hours} />
        </p>
      </div>
    </Panel>
  );
}

/** How much of the hours nobody measured. */
export function UnknownTimes({ hours: { unknown } }: Pick<MoneyPicture, 'hours'>) {
  if (unknown.steps === 0) return null;
  return (
    <span data-testid="unknown-times">
      {counted(unknown.steps, 'model-step')} without a known time {unknown.steps === 1 ? 'counts' : 'count'} at the estimate,{' '}
      {minutesText(unknown.minutes)}: <a href="/ledger">tell what they took</a>.
    </span>
  );
}

function EarningRow({ name, earning, currency }: { name: string; earning: Earning; currency: string }) {
  const { minutes, earnedMinor, perHourMinor } = earning;
  return (
    <tr>
      <th scope="row">{name}</th>
      <td>{minutesText(minutes)}</td>
      <td>{exactMoneyText(Math.round(earnedMinor), currency)}</td>
      <td>{perHourMinor === null ? '–' : exactMoneyText(Math.round(perHourMinor), currency)}</td>
    </tr>
  );
}
