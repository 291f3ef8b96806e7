import { useMemo } from 'react';
import { byHours, priceWork } from '../../../core/money/priceWork';
import { rateOf } from '../../../core/money/currency';
import { whyMoved, type PriceMove } from '../../../core/money/whyMoved';
import type { MoneyPicture } from '../../../contract/money';
import { counted, dayOfText, minutesText, moneyDifferenceText, percentText } from '../../../ui/format';
import type { Money } from '../useMoney';
import styles from '../View.module.css';

/** What the price has done since the last quote, and why. */
export function Moved({ picture, money }: { picture: MoneyPicture; money: Money }) {
  const { quotes, units, rate, since } = picture;
  const last = quotes.at(-1);
  const move = useMemo(
    () => last && whyMoved(last.offer, priceWork(units, byHours(last.offer.terms), rateOf(last.offer)), money.price),
    [last, units, money.price],
  );
  if (!last || !move) return null;
  const signed = (minor: number) => moneyDifferenceText(minor, rate.currency);
  return (
    <p className={styles.hint} data-testid="moved">
      {move.totalMinor === 0
        ? `The same as quote ${last.number}.`
        : `${signed(move.totalMinor)} since quote ${last.number} of ${dayOfText(Date.parse(last.writtenAt))}: ${parts(move)
            .map(([what, minor]) => `${signed(minor)} ${what}`)
            .join(', ')}.`}{' '}
      {move.most && `Most by ${move.most.name}: ${minutesText(move.most.before)} then, ${minutesText(move.most.now)} now. `}
      {since &&
        since.stretches > 0 &&
        `${counted(since.stretches, 'row')} logged since then took ${percentText(Math.abs(since.more))} ${since.more < 0 ? 'less' : 'longer'} than estimated.`}
    </p>
  );
}

const parts = ({ hoursMinor, unitsMinor, materialsMinor, termsMinor }: PriceMove): [string, number][] =>
  (
    [
      ['by the hours', hoursMinor],
      ['by models that came or went', unitsMinor],
      ['by materials', materialsMinor],
      ['by rate, terms and rounding', termsMinor],
    ] as [string, number][]
  ).filter(([, minor]) => minor !== 0);
