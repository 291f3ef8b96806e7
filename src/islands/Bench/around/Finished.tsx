import { Button, LinkButton } from '../../../ui/Button/Button';
import { counted } from '../../../ui/format';
import type { Bench } from '../taps/useBench';
import own from './around.module.css';
import styles from '../View.module.css';

/** Everything on the line is painted: what is still to do, and where to go from here. */
export function Finished({ bench, onLookOver }: { bench: Bench; onLookOver: () => void }) {
  const { waitingUnits } = bench.picture;
  const commissionsOf = (ids: ReadonlySet<string>) => [
    ...new Map(bench.line.units.filter(({ id }) => ids.has(id)).map((unit) => [unit.commissionId, unit])).values(),
  ];
  const missed = commissionsOf(new Set(bench.view.misses.map(({ unitId }) => unitId)));
  const finished = commissionsOf(new Set(bench.line.units.map(({ id }) => id)));
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
        {missed.map(({ commissionId, commission }) => (
          <LinkButton key={commissionId} href={`/touch-up?commission=${encodeURIComponent(commissionId)}`}>
            Touch-up round{missed.length > 1 && `, ${commission}`}
          </LinkButton>
        ))}
        <Button onClick={onLookOver}>Mark missed spots</Button>
        {finished.map(({ commissionId, commission }) => (
          <LinkButton key={commissionId} href={`/c/${commissionId}/finish`}>
            Inspect {commission}
          </LinkButton>
        ))}
        <LinkButton href="/line">Plan the next line</LinkButton>
        <LinkButton href="/">Today</LinkButton>
      </span>
    </div>
  );
}
