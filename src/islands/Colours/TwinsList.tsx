import { useState } from 'react';
import { MOST_TWIN_DIFFERENCE, TWIN_DIFFERENCE } from '../../core/paint/nearTwins';
import type { ColoursPicture, TwinTaken } from '../../contract/colours';
import { Button } from '../../ui/Button/Button';
import { Panel } from '../../ui/Panel/Panel';
import { counted, minutesText, plain } from '../../ui/format';
import { send } from '../client/api';
import { useRemembered } from '../shared/useRemembered';
import { LimitField } from './LimitField';
import { useTwins, type Twins } from './useTwins';
import { Broken } from '../shared/Broken';
import { Working } from '../../ui/Working/Working';
import styles from './View.module.css';

/** What was taken last, for the way back. */
interface Taken {
  kept: string;
  replaced: string;
  taken: TwinTaken;
}

/** Paints and mixes of one kind that few would tell apart at table distance, and what one for both saves. */
export function TwinsList({ picture, onChanged }: { picture: ColoursPicture; onChanged: () => void }) {
  const [limit, setLimit] = useRemembered<number>('near twins', TWIN_DIFFERENCE);
  const [last, setLast] = useState<Taken | null>(null);
  const [error, setError] = useState<string | null>(null);
  const [isBusy, setBusy] = useState(false);
  const { twins, error: failed, again } = useTwins(picture.rows, limit);
  const rowOf = (id: string) => picture.rows.find(({ paint }) => paint.id === id)!;

  const during = async (work: () => Promise<void>) => {
    setBusy(true);
    setError(null);
    try {
      await work();
      onChanged();
    } catch (problem) {
      setError((problem as Error).message);
    } finally {
      setBusy(false);
    }
  };
  const take = (keep: string, replace: string) =>
    during(async () => {
      const taken = await send<TwinTaken>('PUT', '/api/colours/twins', { keep, replace });
      setLast({ kept: rowOf(keep).paint.name, replaced: rowOf(replace).paint.name, taken });
    });
  const undo = ({ taken }: Taken) =>
    during(async () => {
      await send('PUT', '/api/colours/twins/undo', {
        units: taken.units.map(({ unitId, revisionId, schemeRevision }) => ({ unitId, revisionId, schemeRevision })),
      });
      setLast(null);
    });
  return (
    <Panel
      title="Very similar paints"
      aside={<LimitField label="Alike up to a difference of" value={limit} most={MOST_TWIN_DIFFERENCE} onChange={setLimit} />}
    >
      {last && (
        <p role="status" className={styles.taken} data-testid="twin-taken">
          {last.kept} took the place of {last.replaced} in {last.taken.units.map(({ name }) => name).join(', ')}. Each scheme is kept as it
          was.{' '}
          <Button disabled={isBusy} onClick={() => void undo(last)}>
            Take it back
          </Button>
        </p>
      )}
      {error && <p role="alert">{error}</p>}
      {failed && <Broken error={failed} again={again} />}
      {twins === null ? (
        failed === null && (
          <p role="status">
            <Working label="Comparing …" />
          </p>
        )
      ) : twins.length === 0 ? (
        <p>No two paints or mixes of one kind that are still needed differ by {plain(limit)} or less (CIEDE2000).</p>
      ) : (
        <ul className={styles.twins}>
          {twins.map((each) => (
            <Pair key={each.pair.join()} twins={each} rowOf={rowOf} isBusy={isBusy} onTake={(keep, replace) => void take(keep, replace)} />
          ))}
        </ul>
      )}
    </Panel>
  );
}

interface PairProps {
  twins: Twins;
  rowOf: (id: string) => ColoursPicture['rows'][number];
  isBusy: boolean;
  onTake: (keep: string, replace: string) => void;
}

function Pair({ twins: { pair, difference, price }, rowOf, isBusy, onTake }: PairProps) {
  const [{ paint: keep }, { paint: replace }] = pair.map(rowOf) as [ReturnType<typeof rowOf>, ReturnType<typeof rowOf>];
  const name = (id: string) => `${rowOf(id).isMix ? 'mix ' : ''}${rowOf(id).paint.name}`;
  return (
    <li data-testid="twins">
      <span className={styles.onGrey} aria-hidden="true">
        <span style={{ background: keep.hex }} />
        <span style={{ background: replace.hex }} />
      </span>
      <span>
        {name(keep.id)} and {name(replace.id)}
        <small>
          {keep.kind}, difference {plain(difference, 1)}; {price === null ? 'planning …' : priceText(price.savedMinutes, price.openings)}
        </small>
      </span>
      <Button disabled={isBusy} onClick={() => onTake(keep.id, replace.id)}>
        {keep.name} for both
      </Button>
    </li>
  );
}

const SMALLEST_MINUTES = 0.5;

function priceText(saved: number, openings: number): string {
  const minutes = saved < SMALLEST_MINUTES ? 'no bench time saved' : `${minutesText(saved)} saved`;
  return openings > 0 ? `${minutes}, ${counted(openings, 'opening')} fewer` : minutes;
}
