import type { OpenPotUse } from '../../../core/bench/guide/openPot';
import { OpenPot } from '../../shared/OpenPot';
import { usePicture } from '../../client/usePicture';
import type { Bench } from '../taps/useBench';
import { passWords } from '../words';
import styles from './around.module.css';

/** What else in the open work, of any commission, could take the paint in hand; looked up for every job. */
export function WhileOpen({ bench }: { bench: Bench }) {
  const { job } = bench;
  if (!job || job.paintId === null) return null;
  return <Uses key={job.id} bench={bench} paintId={job.paintId} />;
}

function Uses({ bench, paintId }: { bench: Bench; paintId: string }) {
  const { picture } = usePicture<OpenPotUse[]>(`/api/colours/open?pot=${encodeURIComponent(paintId)}`);
  const pass = bench.passes.get(bench.job!.passKey)!;
  const others = picture?.filter((use) => use.passKey !== pass.key) ?? [];
  if (others.length === 0) return null;
  return (
    <section aria-label="While this pot is open" data-testid="while-open">
      <h2 className={styles.sideTitle}>While {bench.paints.get(paintId)?.name ?? passWords(pass)} is open</h2>
      <OpenPot uses={others.slice(0, MOST_SHOWN)} />
    </section>
  );
}

/** More would push away what the painter looks for here. */
const MOST_SHOWN = 4;
