import { Button, LinkButton } from '../../../ui/Button/Button';
import { counted } from '../../../ui/format';
import type { Bench } from '../taps/useBench';
import own from './around.module.css';
import styles from '../View.module.css';

/** Everything on the line is painted: what is still to do, and where to go from here. */
export function Finished({ bench, onLookOver }: { bench: Bench; onLookOver: () => void }) {
  const { waitingUnits } = bench.picture;
  return (
    <div className={own.finished}>
      <p className={styles.what}>This line is painted.</p>
      <p>
        {bench.view.misses.length > 0
          ? `${counted(bench.view.misses.length, 'missed spot')} still to touch up.`
          : 'No missed spot is open.'}{' '}
        {waitingUnits.length > 0 && `The batch of ${waitingUnits.join(', ')} waits for approval of its test model. `}
        Look the units over together, at arm&apos;s length.
      </p>
      <span className={styles.small}>
        <Button onClick={onLookOver}>Mark missed spots</Button>
        <LinkButton href="/line">Plan the next line</LinkButton>
        <LinkButton href="/">Today</LinkButton>
      </span>
    </div>
  );
}
