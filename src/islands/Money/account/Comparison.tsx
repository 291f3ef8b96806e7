import { agreedQuote } from '../../../core/money/definitions';
import { byHours, priceWork } from '../../../core/money/priceWork';
import type { MoneyPicture } from '../../../contract/money';
import { Bar } from '../../../ui/Bar/Bar';
import { Panel } from '../../../ui/Panel/Panel';
import { differenceText, exactMoneyText, minutesText } from '../../../ui/format';
import { STAGE_WORDS } from '../../shared/stageWords';
import type { Money } from '../useMoney';
import { UnknownTimes } from '../price/WhatItPays';
import { SortHead } from '../../shared/sort/SortHead';
import { useSorted } from '../../shared/sort/useSorted';
import { Wide } from '../../../ui/Wide/Wide';
import styles from '../View.module.css';

/** The accepted quote against what the work took, by unit and by stage, and what the same again would be quoted at. */
export function Comparison({ picture, money }: { picture: MoneyPicture; money: Money }) {
  const { agreed, quotes, units, rate } = picture;
  const quote = agreedQuote(quotes);
  const { rows, sorting } = useSorted(agreed?.comparison.units ?? [], {
    name: (unit) => unit.name,
    quoted: (unit) => unit.quoted,
    took: (unit) => unit.took,
    left: (unit) => unit.left,
    against: (unit) => (unit.quoted === null ? null : unit.took + unit.left - unit.quoted),
  });
  if (!agreed || !quote) return null;
  const { comparison } = agreed;
  const again = priceWork(units, byHours(money.terms), rate);
  const more = again.totalMinor - quote.offer.price.totalMinor;
  const full = Math.max(...comparison.units.map(({ quoted, took, left }) => Math.max(quoted ?? 0, took + left)), 1);
  return (
    <Panel title="Did the quote hold?">
      <Wide>
        <table className={styles.table} data-testid="comparison">
          <thead>
            <tr>
              <SortHead sorting={sorting} by="name">
                Unit
              </SortHead>
              <SortHead sorting={sorting} by="quoted">
                Quoted, expected
              </SortHead>
              <SortHead sorting={sorting} by="took">
                Took so far
              </SortHead>
              <SortHead sorting={sorting} by="left">
                Left, expected
              </SortHead>
              <SortHead sorting={sorting} by="against">
                Against the quote
              </SortHead>
              <th scope="col">Solid took, grey left</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ unitId, name, quoted, took, left }) => (
              <Row key={unitId} name={name} quoted={quoted} took={took} left={left} full={full} />
            ))}
            <Row
              name="All of it"
              quoted={comparison.units.reduce((sum, { quoted }) => sum + (quoted ?? 0), 0)}
              took={comparison.units.reduce((sum, { took }) => sum + took, 0)}
              left={comparison.units.reduce((sum, { left }) => sum + left, 0)}
              full={null}
            />
          </tbody>
          <tbody>
            <tr>
              <th scope="rowgroup" colSpan={6} className={styles.group}>
                Hands-on, by stage
              </th>
            </tr>
            {comparison.stages.map(({ stage, quoted, took, left }) => (
              <Row key={stage} name={STAGE_WORDS[stage]} quoted={quoted} took={took} left={left} full={null} />
            ))}
          </tbody>
        </table>
      </Wide>
      <p>
        <UnknownTimes hours={picture.hours} />
      </p>
      <p data-testid="next-quote">
        The same again would be quoted at <strong>{exactMoneyText(again.totalMinor, rate.currency)}</strong>
        {more === 0
          ? ', as before.'
          : `, ${exactMoneyText(Math.abs(more), rate.currency)} ${more < 0 ? 'less' : 'more'} than quote ${quote.number}: ${minutesText(again.likely)} now, ${minutesText(quote.offer.price.likely)} then.`}
      </p>
    </Panel>
  );
}

interface RowProps {
  name: string;
  quoted: number | null;
  took: number;
  left: number;
  /** Minutes of a whole bar; null draws none. */
  full: number | null;
}

function Row({ name, quoted, took, left, full }: RowProps) {
  return (
    <tr>
      <th scope="row">{name}</th>
      <td>{quoted === null ? 'came later' : minutesText(quoted)}</td>
      <td>{minutesText(took)}</td>
      <td>{minutesText(left)}</td>
      <td>{quoted === null ? '' : differenceText(took + left - quoted)}</td>
      <td>
        {full !== null && (
          <Bar
            full={full}
            label={`${name}: took ${minutesText(took)}, left ${minutesText(left)}`}
            parts={[
              { label: 'took', value: took, look: 'solid' },
              { label: 'left', value: left, look: 'grey' },
            ]}
          />
        )}
      </td>
    </tr>
  );
}
