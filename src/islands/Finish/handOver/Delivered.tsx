import { useRef, useState } from 'react';
import type { Finishing } from '../../../core/finish/definitions';
import { packingOf } from '../../../core/finish/packing';
import type { FinishPicture } from '../../../contract/finish';
import { Button } from '../../../ui/Button/Button';
import { Panel } from '../../../ui/Panel/Panel';
import { counted, dayOfText } from '../../../ui/format';
import { send } from '../../client/api';
import { useAttempt } from '../../client/useAttempt';
import { useSaved } from '../../client/useSaved';
import { SaveState } from '../../shared/SaveState';
import shared from '../View.module.css';
import { Paid } from './Paid';
import { PaperLines } from './PaperLines';
import { Repairs } from './Repairs';

/** A commission that was delivered: what went, what was said of the rest, what is kept of it, and what came back since. */
export function Delivered({ picture }: { picture: FinishPicture }) {
  const { commission, units, undoneThen } = picture;
  const revision = useRef(picture.revision);
  const saved = useSaved<Finishing>({
    initial: picture.finishing,
    save: async (finishing) => {
      const url = `/api/commissions/${commission.id}/finish`;
      revision.current = (await send<{ revision: number }>('PUT', url, { revision: revision.current, finishing })).revision;
    },
  });
  const { error, attempt } = useAttempt(() => window.location.assign(`/c/${commission.id}/finish`));
  const base = `/api/commissions/${commission.id}`;
  return (
    <div className={shared.view}>
      <div className={shared.head}>
        <p>
          <strong>{commission.name}</strong> for {commission.client}, delivered {dayOfText(Date.parse(commission.closedAt!))}.
        </p>
        <SaveState saved={saved} />
      </div>
      <div className={shared.columns}>
        <div className={shared.column}>
          <Panel title="What went">
            <ul className={shared.list} data-testid="went">
              {units.map((unit) => {
                const row = packingOf(unit, saved.value.boxes);
                return (
                  <li key={unit.id}>
                    <strong>{unit.name}</strong>: {counted(row.packed, 'model')} packed, {row.promised} promised, {row.owned} already theirs
                    {row.notSent !== 0 && `, ${row.notSent} not sent${row.notSentNote === '' ? '' : ` (${row.notSentNote})`}`}
                    {row.unpacked !== 0 && `, ${row.unpacked} not in a box`}
                  </li>
                );
              })}
            </ul>
            {undoneThen.length > 0 && (
              <>
                <strong>Not done, and what was said of it</strong>
                <ul data-testid="answered">
                  {undoneThen.map((what) => (
                    <li key={what}>{what}</li>
                  ))}
                </ul>
              </>
            )}
          </Panel>
          <Repairs picture={picture} finishing={saved.value} onChange={(repairs) => saved.change({ ...saved.value, repairs })} />
        </div>
        <div className={shared.column}>
          <Panel title="Kept of it">
            <ul className={shared.list}>
              <PaperLines commissionId={commission.id} />
            </ul>
            {picture.lostPaints.length > 0 && <p>Not to be had as before: {picture.lostPaints.join('; ')}.</p>}
          </Panel>
          <Paid commissionId={commission.id} />
          <ForNextTime picture={picture} />
          <Panel title="Open it again">
            <p>It goes on where it stopped: every mark, mix and order is as it was.</p>
            <Button onClick={() => attempt(send('PUT', `${base}/closed`, { closed: false }))}>Open again</Button>
            {error && <p role="alert">{error}</p>}
          </Panel>
        </div>
      </div>
    </div>
  );
}

/** The scheme goes to the library with what it really took, to be used again. */
function ForNextTime({ picture }: { picture: FinishPicture }) {
  const [kept, setKept] = useState<ReadonlySet<string>>(new Set());
  const [error, setError] = useState<string | null>(null);
  const keep = (unitId: string, name: string) =>
    send('POST', '/api/library', { unitId, partId: null, name }).then(
      () => setKept((all) => new Set([...all, unitId])),
      (problem: Error) => setError(problem.message),
    );
  const withScheme = picture.units.filter(({ scheme }) => scheme.parts.length + scheme.allOver.length > 0);
  if (withScheme.length === 0) return null;
  return (
    <Panel title="Keep a scheme for next time" aside={<a href="/library">Library</a>}>
      <ul className={shared.list}>
        {withScheme.map(({ id, name }) => (
          <li key={id} className={shared.row}>
            {name}
            {kept.has(id) ? (
              <span role="status">in the library, with what it took</span>
            ) : (
              <Button kind="quiet" aria-label={`Keep the scheme of ${name}`} onClick={() => void keep(id, name)}>
                Keep it
              </Button>
            )}
          </li>
        ))}
      </ul>
      {error && <p role="alert">{error}</p>}
    </Panel>
  );
}
