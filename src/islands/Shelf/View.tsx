import { lazy, Suspense, useState } from 'react';
import { ulid } from 'ulid';
import { commonPaints } from '../../core/scheme/authoring/starters';
import { UNKNOWN_POT, type ShelfPaint } from '../../core/paint/shelf';
import { Button } from '../../ui/Button/Button';
import { Notice } from '../../ui/Notice/Notice';
import { Panel } from '../../ui/Panel/Panel';
import type { ShelfPicture } from '../../contract/shelf';
import { send } from '../client/api';
import { useAttempt } from '../client/useAttempt';
import { Opened } from '../shared/Opened';
import { Buying } from './Buying';
import { Learned } from './Learned';
import { Files } from './Files';
import { PotTable } from './PotTable';
import { Working } from '../../ui/Working/Working';
import styles from './View.module.css';

/** The form of a pot is loaded when one is taken in hand. */
const PotForm = lazy(() => import('./PotForm').then((module) => ({ default: module.PotForm })));

const newPaint = (): ShelfPaint => ({
  ...UNKNOWN_POT,
  revision: 0,
  id: ulid(),
  name: '',
  hex: '#8a5a33',
  kind: 'opaque',
  dryMinutes: null,
});

/** The paints, how much of each there is, what open work takes of it, and on which day it runs dry. */
export function ShelfView({ first, wanted }: { first: ShelfPicture | null; wanted: string | null }) {
  return (
    <Opened<ShelfPicture> first={first} url="/api/shelf" what="the shelf">
      {(shelf) => <OpenedShelf shelf={shelf} wanted={wanted} />}
    </Opened>
  );
}

function OpenedShelf({ shelf: opened, wanted }: { shelf: ShelfPicture; wanted: string | null }) {
  const [shelf, setShelf] = useState(opened);
  const [broken, setBroken] = useState<string | null>(null);
  const again = (of = shelf.of) =>
    void send<ShelfPicture>('GET', of === null ? '/api/shelf' : `/api/shelf?of=${of}`).then(
      (now) => {
        setShelf(now);
        setBroken(null);
      },
      (problem: Error) => setBroken(problem.message),
    );
  const { error, attempt } = useAttempt(again);
  const [inHand, setInHand] = useState<ShelfPaint | null>(() => opened.paints.find(({ id }) => id === wanted) ?? null);
  const { paints } = shelf;
  /** A pot that an address names is read first: the form comes later, and would take keys that are meant for the page. */
  const [isArrival, setIsArrival] = useState(true);
  const take = (paint: ShelfPaint | null) => {
    setIsArrival(false);
    setInHand(paint);
  };
  const known = inHand && paints.find(({ id }) => id === inHand.id);
  const addCommon = () => attempt(send('POST', '/api/paints/list', { paints: commonPaints(ulid) }));
  return (
    <div className={styles.view}>
      <div className={styles.left}>
        {(error ?? broken) && (
          <Notice kind="flag" role="alert">
            {error ?? broken}
          </Notice>
        )}
        {paints.length === 0 ? (
          <Panel title="No paints yet">
            <p>The shelf is empty. Put the first paint on it here, or while you write a scheme.</p>
            <span className={styles.tools}>
              <Button onClick={addCommon}>Put thirty common colours on it, by plain names</Button>
              <Files shelf={shelf} onDone={again} />
            </span>
          </Panel>
        ) : (
          <PotTable
            shelf={shelf}
            inHand={inHand?.id ?? null}
            onChoose={take}
            onWork={again}
            onRead={(levels) => attempt(send('PUT', '/api/shelf/levels', { levels }))}
            aside={
              <>
                <Button onClick={addCommon}>Add common colours</Button>
                <Files shelf={shelf} onDone={again} />
              </>
            }
          />
        )}
        <Buying shelf={shelf} />
        <Learned shelf={shelf} onForget={(id) => attempt(send('PUT', `/api/shelf/seen/${id}/removed`, {}))} />
      </div>
      <Panel title={inHand ? (known ? 'Edit paint' : 'Add paint') : 'Add paint'} className={styles.right}>
        {inHand ? (
          <Suspense
            fallback={
              <span role="status">
                <Working label="Opening …" />
              </span>
            }
          >
            <PotForm
              key={inHand.id}
              shelf={shelf}
              paint={inHand}
              isKnown={Boolean(known)}
              takesFocus={!isArrival}
              onDone={() => {
                take(null);
                again();
              }}
              onChanged={again}
              onCancel={() => take(null)}
            />
          </Suspense>
        ) : (
          <Button onClick={() => take(newPaint())}>Add paint</Button>
        )}
      </Panel>
    </div>
  );
}
