import { localDay } from '../../../core/kernel/localDay';
import { agreedQuote } from '../../../core/money/definitions';
import { statementOf } from '../../../core/money/statement';
import type { MoneyPicture } from '../../../contract/money';
import { TextField } from '../../../ui/Field/Field';
import { Panel } from '../../../ui/Panel/Panel';
import { dayText, exactMoneyText } from '../../../ui/format';
import { MoneyField } from '../../shared/MoneyField';
import { programNow } from '../../client/clock';
import type { Money } from '../useMoney';
import { Wide } from '../../../ui/Wide/Wide';
import styles from '../View.module.css';

/** What the client owes at hand-over, line by line, as a document and as a table. */
export function StatementPanel({ picture, money }: { picture: MoneyPicture; money: Money }) {
  const { quotes, changes, commission, undone } = picture;
  const quote = agreedQuote(quotes);
  if (!quote) return null;
  const { terms, changeTerms } = money;
  const { currency } = quote.offer;
  const on = localDay(commission.closedAt === null ? new Date(programNow()) : new Date(commission.closedAt));
  const statement = statementOf(quote, changes, terms, { on, undone });
  const href = (as: string) => `/api/commissions/${commission.id}/statement?as=${as}`;
  const paidOn = terms.depositPaid?.on ?? '';
  return (
    <Panel
      title={`Statement at hand-over: ${exactMoneyText(statement.dueMinor, currency)} due`}
      aside={
        <span className={styles.files}>
          <a href={href('pdf')}>Save as PDF</a>
          <a href={href('csv')}>Save as CSV</a>
        </span>
      }
    >
      <div className={styles.statement}>
        <Wide label="Lines of the statement">
          <table className={styles.table} data-testid="statement">
            <tbody>
              {statement.lines.map((line, index) => (
                <tr key={index}>
                  <th scope="row">
                    {line.on !== '' && `${dayText(line.on)}: `}
                    {line.what}
                  </th>
                  <td>{line.models ?? ''}</td>
                  <td>{exactMoneyText(line.amountMinor, currency)}</td>
                </tr>
              ))}
              <tr className={styles.total}>
                <th scope="row">Total</th>
                <td />
                <td>{exactMoneyText(statement.totalMinor, currency)}</td>
              </tr>
              {statement.paidMinor !== 0 && (
                <tr>
                  <th scope="row">Paid before{paidOn !== '' && `, ${dayText(paidOn)}`}</th>
                  <td />
                  <td>{exactMoneyText(statement.paidMinor, currency)}</td>
                </tr>
              )}
              <tr className={styles.total}>
                <th scope="row">Due</th>
                <td />
                <td>{exactMoneyText(statement.dueMinor, currency)}</td>
              </tr>
            </tbody>
          </table>
        </Wide>
        <div className={styles.column}>
          <MoneyField
            label="Paid before"
            currency={currency}
            valueMinor={terms.depositPaid?.amountMinor ?? null}
            optional
            placeholder={
              quote.offer.price.depositMinor > 0 ? `deposit ${exactMoneyText(quote.offer.price.depositMinor, currency)}` : 'nothing'
            }
            onChange={(minor) => changeTerms({ depositPaid: minor === null ? null : { on: paidOn || on, amountMinor: minor } })}
          />
          {terms.depositPaid && (
            <TextField
              label="Paid on"
              type="date"
              value={terms.depositPaid.on}
              onChange={(day) => day !== '' && changeTerms({ depositPaid: { ...terms.depositPaid!, on: day } })}
            />
          )}
          <TextField
            label="Note on the statement"
            placeholder="Thank you. Payable within 14 days."
            value={terms.statementWords}
            maxLength={4000}
            onChange={(statementWords) => changeTerms({ statementWords })}
          />
        </div>
      </div>
      {undone.length > 0 && <p data-testid="statement-undone">Not done, and on the statement: {undone.join('; ')}.</p>}
      <p className={styles.hint}>Lines and totals only: what tax is due on it, if any, is not worked out here.</p>
    </Panel>
  );
}
