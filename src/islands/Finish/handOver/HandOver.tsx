import { useState } from 'react';
import { answerTo, needsAnswer, openKey, withAnswer } from '../../../core/finish/answers';
import { careWords } from '../../../core/finish/careWords';
import { packingOf } from '../../../core/finish/packing';
import type { Undone } from '../../../core/commission/undone';
import { Button } from '../../../ui/Button/Button';
import { TextField } from '../../../ui/Field/Field';
import { Panel } from '../../../ui/Panel/Panel';
import { Sure } from '../../../ui/Sure/Sure';
import { counted, momentText } from '../../../ui/format';
import { send } from '../../client/api';
import { useAttempt } from '../../client/useAttempt';
import type { Finish } from '../useFinish';
import pack from '../pack/pack.module.css';
import shared from '../View.module.css';
import { PaperLines } from './PaperLines';

/** What is told to the client, and what is answered for, before the commission is put away. */
export function HandOver({ finish }: { finish: Finish }) {
  return (
    <div className={shared.columns}>
      <div className={shared.column}>
        <Open finish={finish} />
        <Letter finish={finish} />
      </div>
      <div className={shared.column}>
        <Papers finish={finish} />
        <Care finish={finish} />
        <Deliver finish={finish} />
      </div>
    </div>
  );
}

const COMMON = ['agreed with the client', 'comes later', 'left out on purpose'];

/** Everything that is not done, each with what is said of it. */
function Open({ finish }: { finish: Finish }) {
  const { undone, finishing, change, picture } = finish;
  const say = (each: Undone, answer: string) => change({ answers: withAnswer(finishing.answers, openKey(each), answer) });
  const hrefs = { intake: `/c/${picture.commission.id}/intake`, scheme: `/c/${picture.commission.id}/scheme`, bench: '/bench' } as const;
  return (
    <Panel title={undone.length === 0 ? 'Nothing is open' : `${counted(undone.length, 'thing')} not done: settle it, or say why`}>
      {undone.length === 0 && <p>All models are painted, counted and cured, and every change has its price.</p>}
      <ul className={shared.list} data-testid="open-things">
        {undone.map((each) => {
          const words = `${each.unit === '' ? '' : `${each.unit}: `}${each.what}`;
          const answer = answerTo(each, finishing.answers);
          return (
            <li key={openKey(each)} className={shared.column}>
              <span>
                <a href={hrefs[each.at]}>{words}</a>
                {each.until !== null && `, until ${momentText(each.until)}`}
              </span>
              {each.until === null && (
                <span className={shared.row}>
                  <TextField
                    label={`What you say of it: ${words}`}
                    hideLabel
                    placeholder="What you say of it"
                    value={answer}
                    maxLength={1000}
                    onChange={(value) => say(each, value)}
                  />
                  {answer === '' &&
                    COMMON.map((common) => (
                      <Button key={common} kind="quiet" aria-label={`${common}: ${words}`} onClick={() => say(each, common)}>
                        {common}
                      </Button>
                    ))}
                </span>
              )}
            </li>
          );
        })}
      </ul>
    </Panel>
  );
}

/** One letter for all of it. */
function Letter({ finish }: { finish: Finish }) {
  const { picture, saved } = finish;
  const [to, setTo] = useState(picture.lastTo);
  const [note, setNote] = useState('');
  const [mail, setMail] = useState<string | null>(null);
  const { error, attempt } = useAttempt(() => setNote(''));
  const write = async () => {
    if (!(await saved.retry())) throw new Error('What was typed here is not saved, so nothing was sent: save it first, then try again.');
    const { mailId } = await send<{ mailId: string }>('POST', `/api/commissions/${picture.commission.id}/finish/letter`, { to, note });
    setMail(mailId);
  };
  return (
    <Panel title="Write to the client">
      <p className={shared.hint}>
        One letter with the hand-over sheet
        {picture.hasStatement ? ', the packing list, the statement and its quote' : ' and the packing list'}: when the parcel goes and when
        it should be there.
      </p>
      <div className={shared.fields}>
        <TextField label="To" type="email" placeholder="client@example.org" value={to} onChange={setTo} />
        <TextField label="A word of your own" value={note} maxLength={4000} onChange={setNote} />
        <Button kind="main" onClick={() => attempt(write())}>
          Prepare e-mail
        </Button>
      </div>
      {mail !== null && (
        <p role="status">
          It is in the outbox: <a href={`/api/mail/${mail}`}>the letter</a>.
        </p>
      )}
      {error && <p role="alert">{error}</p>}
    </Panel>
  );
}

function Papers({ finish }: { finish: Finish }) {
  const { commission, hasStatement } = finish.picture;
  const base = `/api/commissions/${commission.id}`;
  return (
    <Panel title="On paper">
      <ul className={shared.list}>
        <PaperLines commissionId={commission.id} />
        <li>
          {hasStatement ? (
            <a href={`${base}/statement?as=pdf`}>Statement (PDF)</a>
          ) : (
            <a href={`/c/${commission.id}/money`}>No quote was accepted, so there is no statement</a>
          )}
        </li>
      </ul>
    </Panel>
  );
}

/** What the sheet says of keeping them, with the painter's own words below. */
function Care({ finish }: { finish: Finish }) {
  const { cures, finishing, change } = finish;
  return (
    <Panel title="How the client keeps them">
      <ul className={shared.bullets}>
        {careWords(cures, '').map((words) => (
          <li key={words}>{words}</li>
        ))}
      </ul>
      <textarea
        className={pack.customs}
        aria-label="Your own words on care"
        rows={2}
        maxLength={4000}
        placeholder="Your own words"
        value={finishing.care}
        onChange={(event) => change({ care: event.target.value })}
      />
    </Panel>
  );
}

/** Puts the commission away, with all that is said of what is not done. */
function Deliver({ finish }: { finish: Finish }) {
  const { picture, undone, finishing, units, saved } = finish;
  const { commission } = picture;
  const open = undone.filter((each) => needsAnswer(each, finishing.answers)).length;
  const left = units.reduce((sum, unit) => sum + Math.max(0, packingOf(unit, finishing.boxes).unpacked), 0);
  const { error, attempt } = useAttempt(() => window.location.assign(`/c/${commission.id}/finish`));
  const deliver = async () => {
    if (!(await saved.retry())) throw new Error('What was typed here is not saved, so nothing was delivered: save it first.');
    await send('PUT', `/api/commissions/${commission.id}/closed`, { closed: true });
  };
  const asides = [
    ...(open > 0 ? [`${counted(open, 'thing')} without an answer`] : []),
    ...(left > 0 ? [`${counted(left, 'model')} not packed`] : []),
  ];
  return (
    <Panel title="Delivered?">
      <Sure
        kind="main"
        question={`${asides.length > 0 ? `There are ${asides.join(' and ')}. ` : ''}Its hours and pay are closed. It leaves Today, stays in the Ledger, and can be opened again where it stopped.`}
        yes={asides.length > 0 ? `Deliver ${commission.name} anyway` : `Deliver ${commission.name}`}
        onYes={() => attempt(deliver())}
      >
        Mark as delivered
      </Sure>
      {error && <p role="alert">{error}</p>}
    </Panel>
  );
}
