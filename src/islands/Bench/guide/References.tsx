import { PlainPictures } from '../../shared/PictureStrip';
import type { Bench } from '../taps/useBench';

/** What the part in hand is to look like, and its unit. */
export function References({ bench }: { bench: Bench }) {
  const { job, references } = bench;
  const pass = job && bench.passes.get(job.passKey);
  const shown = references.filter(
    ({ kind, unitId, partId }) => kind === 'reference' && unitId === job?.unitId && (partId === null || partId === pass?.partId),
  );
  if (shown.length === 0) return null;
  return (
    <section aria-label="Reference pictures" data-testid="references">
      <PlainPictures pictures={shown} />
    </section>
  );
}
