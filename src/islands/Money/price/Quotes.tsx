import { useState } from 'react';
import type { Quote, QuoteAnswer } from '../../../core/money/definitions';
import type { MoneyPicture } from '../../../contract/money';
import { Button } from '../../../ui/Button/Button';
import { TextField } from '../../../ui/Field/Field';
import { Panel } from '../../../ui/Panel/Panel';
import { exactMoneyText, minutesText, momentText } from '../../../ui/format';
import { send } from '../../client/api';
import { useAttempt } from '../../client/useAttempt';
import type { Money } from '../useMoney';
import own from './price.module.css';
import styles from '../View.module.css';

interface QuotesProps {
  picture: MoneyPicture;
  money: Money;
  onChanged: () => void;
}

/** Quotes that were sent, what the client said to each, and the next one. */
export function Quotes({ picture, money, onChanged }: QuotesProps) {
  const { commission, quotes } = picture;
  const [to, setTo] = useState(picture.lastTo);
  const [note, setNote] = useState('');
  const { error, attempt } = useAttempt(onChanged);
  const next = (quotes.at(-1)?.number ?? 0) + 1;
  const canQuote = money.price.likely > 0 && commission.closedAt === null;
  const write = async (address: string | null) => {
    // What was typed a moment ago is part of it.
    if (!(await money.retry())) throw new Error('The terms are not saved, so nothing was sent: save them first, then try again.');
    // What was logged in another window may have moved the price: what is refused is shown as it is now.
    await send('POST', `/api/commissions/${commission.id}/quotes`, { to: address, note, totalMinor: money.price.totalMinor }).catch(
      (problem: Error) => {
        onChanged();
        throw problem;
      },
    );
    setNote('');
  };
  if (quotes.length === 0 && !canQuote) return null;
  return (
    <Panel title={quotes.length === 0 ? 'Put it to the client' : 'Quotes, and what the client said'}>
      {quotes.length > 0 && (
        <ol className={own.quotes} data-testid="quotes">
          {quotes.toReversed().map((quote) => (
            <QuoteLine key={quote.id} quote={quote} onAct={attempt} />
          ))}
        </ol>
      )}
      {canQuote && (
        <div className={styles.letter}>
          <TextField label="To" type="email" placeholder="client@example.org" value={to} onChange={setTo} />
          <TextField label="A word to the client" value={note} maxLength={4000} onChange={setNote} />
          <Button kind="main" onClick={() => attempt(write(to))}>
            Prepare e-mail with quote {next}
          </Button>
          <Button onClick={() => attempt(write(null))}>Save without sending</Button>
        </div>
      )}
      {error && <p role="alert">{error}</p>}
    </Panel>
  );
}

function QuoteLine({ quote, onAct }: { quote: Quote; onAct: (act: Promise<unknown>) => void }) {
  const [said, setSaid] = useState('');
  const { number, offer, writtenAt, sentTo, mailId, answer, answeredAt, answerNote } = quote;
  const put = (given: QuoteAnswer | null) =>
    onAct(send('PUT', `/api/quotes/${quote.id}/answer`, { answer: given, note: given === null ? '' : said }));
  return (
    <li>
      <p>
        <strong>
          Quote {number}: {exactMoneyText(offer.price.totalMinor, offer.currency)}
        </strong>
        , expected {minutesText(offer.price.likely)}, {offer.standard} standard. {momentText(Date.parse(writtenAt))}
        {sentTo !== '' && ` to ${sentTo}`} (<a href={`/api/quotes/${quote.id}/pdf`}>PDF</a>
        {mailId !== null && (
          <>
            , <a href={`/api/mail/${mailId}`}>the letter</a>
          </>
        )}
        )
      </p>
      {answer === null ? (
        <span className={styles.answers}>
          <TextField
            label="What the client said"
            hideLabel
            placeholder="What the client said"
            value={said}
            maxLength={4000}
            onChange={setSaid}
          />
          <Button onClick={() => put('accepted')}>Accepted</Button>
          <Button kind="quiet" onClick={() => put('changes wanted')}>
            Changes wanted
          </Button>
          <Button kind="quiet" onClick={() => put('declined')}>
            Declined
          </Button>
        </span>
      ) : (
        <p>
          <strong>{answer}</strong> {momentText(Date.parse(answeredAt!))}
          {answerNote !== '' && `: ${answerNote}`}{' '}
          <Button kind="quiet" onClick={() => put(null)}>
            Undo the answer
          </Button>
        </p>
      )}
    </li>
  );
}
