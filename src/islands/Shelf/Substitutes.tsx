import { useState } from 'react';
import type { ShelfPaint } from '../../core/paint/shelf';
import { toldApart } from '../../core/paint/closeEnough';
import { mlWords } from '../../core/paint/amountWords';
import { differenceOf, labOf } from '../../core/colour/difference';
import type { ShelfPicture } from '../../contract/shelf';
import type { TwinTaken } from '../../contract/colours';
import { Button } from '../../ui/Button/Button';
import { Notice } from '../../ui/Notice/Notice';
import { Swatch } from '../../ui/Swatch/Swatch';
import { plain } from '../../ui/format';
import { send } from '../client/api';
import styles from './View.module.css';

const SHOWN = 4;

interface SubstitutesProps {
  shelf: ShelfPicture;
  paint: ShelfPaint;
  onChanged: () => void;
}

/** Paints of the same kind that are nearest to one; any can take its place in all open schemes, and give it back. */
export function Substitutes({ shelf, paint, onChanged }: SubstitutesProps) {
  const [taken, setTaken] = useState<{ by: string; was: TwinTaken } | null>(null);
  const [error, setError] = useState<string | null>(null);
  const lab = labOf(paint.hex);
  const nearest = shelf.paints
    .filter((other) => other.id !== paint.id && other.kind === paint.kind && !other.spoilt)
    .map((other) => ({ other, difference: differenceOf(lab, labOf(other.hex)) }))
    .sort((a, b) => a.difference - b.difference)
    .slice(0, SHOWN);
  const act = (work: Promise<void>) =>
    void work.then(
      () => {
        setError(null);
        onChanged();
      },
      (problem: Error) => setError(problem.message),
    );
  const substitute = async (other: ShelfPaint) =>
    setTaken({ by: other.name, was: await send<TwinTaken>('PUT', '/api/colours/twins', { keep: other.id, replace: paint.id }) });
  /** One pot for what stands here twice: it takes the other's place, and that goes from the shelf where no model carries it. */
  const merge = async (other: ShelfPaint) => {
    await send('PUT', '/api/paints/merged', { pairs: [{ keep: other.id, replace: paint.id }] });
  };
  const undo = async () => {
    const units = taken!.was.units.map(({ unitId, revisionId, schemeRevision }) => ({ unitId, revisionId, schemeRevision }));
    await send('PUT', '/api/colours/twins/undo', { units });
    setTaken(null);
  };
  return (
    <div data-testid="substitutes">
      {taken && (
        <Notice role="status">
          {taken.by} takes its place on {taken.was.units.map(({ name }) => name).join(', ')}.{' '}
          <Button kind="quiet" onClick={() => act(undo())}>
            Undo
          </Button>
        </Notice>
      )}
      {error && (
        <Notice kind="flag" role="alert">
          {error}
        </Notice>
      )}
      <p>Nearest on the shelf:</p>
      <ul className={styles.seen}>
        {nearest.map(({ other, difference }) => (
          <li key={other.id}>
            <Swatch hex={other.hex} kind={other.kind} />
            <span>
              {other.name}, {plain(difference, 1)} away
              {shelf.left[other.id] !== undefined && `, ${mlWords(shelf.left[other.id]!)} left`}
            </span>
            {shelf.unitsUsing[paint.id] !== undefined && (
              <Button kind="quiet" aria-label={`Use ${other.name} instead of ${paint.name}`} onClick={() => act(substitute(other))}>
                Use instead
              </Button>
            )}
            {toldApart(difference) === 'never' && (
              <Button kind="quiet" aria-label={`Keep ${other.name} and take ${paint.name} off the shelf`} onClick={() => act(merge(other))}>
                It is the same
              </Button>
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}
