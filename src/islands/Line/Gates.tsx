import { mlWords } from '../../core/paint/amountWords';
import type { LinePicture } from '../../contract/line';
import { minutesText } from '../../ui/format';
import styles from './View.module.css';

/** What is not on the line or cannot be painted yet, and why. */
export function Gates({ picture }: { picture: LinePicture }) {
  const gates = [
    picture.waitingUnits.length > 0 &&
      `${picture.waitingUnits.join(', ')}: only the test model until it is approved; with all that waits ${minutesText(picture.withWaiting!)}.`,
    picture.heldUnits.length > 0 && `${picture.heldUnits.join(', ')}: not before the test model that speaks for them is approved.`,
    picture.unitsWithoutScheme.length > 0 && `${picture.unitsWithoutScheme.join(', ')}: no scheme yet, so not on the line.`,
    picture.stepsWithoutPaint.length > 0 && `No paint chosen yet: ${picture.stepsWithoutPaint.join('; ')}.`,
  ].filter(Boolean);
  return (
    <>
      {gates.length > 0 && <p className={styles.gates}>{gates.join(' ')}</p>}
      <ShortOnLine paints={picture.shortPaints} />
    </>
  );
}

/** Said before the line is put on the bench: what is short can still be bought. */
function ShortOnLine({ paints }: { paints: LinePicture['shortPaints'] }) {
  if (paints.length === 0) return null;
  return (
    <p className={styles.gates} data-testid="short-on-line">
      Not enough paint for this line:{' '}
      {paints
        .map(
          ({ name, missingMl, discontinued }) =>
            `${name}, ${mlWords(missingMl)} short${discontinued ? ' (it cannot be bought any more)' : ''}`,
        )
        .join('; ')}
      . <a href="/shelf">What to buy</a>
    </p>
  );
}
