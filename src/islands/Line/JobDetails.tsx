import { factsOf } from '../../core/scheme/techniques';
import type { LinePicture } from '../../core/views/line';
import { Swatch } from '../../ui/Swatch/Swatch';
import { counted, minutesText } from '../../ui/format';
import type { ChartBlock } from './chartBlocks';
import styles from './RelayChart.module.css';

interface JobDetailsProps {
  block: ChartBlock;
  picture: LinePicture;
  place: number;
  count: number;
}

/** The job in hand, in words: what, on how many, when, and the rules that hold it there. */
export function JobDetails({ block, picture, place, count }: JobDetailsProps) {
  const { job, paint } = block;
  const facts = factsOf(job.technique);
  const reasons = [...new Set(picture.reasons.filter((entry) => entry.after === job.id).map((entry) => entry.reason))];
  const wishes = [...new Set(picture.softReasons.filter((entry) => entry.after === job.id).map((entry) => entry.reason))];
  const why = [...reasons, ...wishes].slice(0, 2).join(' ');
  return (
    <p className={styles.job}>
      <Swatch hex={paint?.hex ?? null} kind={paint?.kind ?? null} />
      <span>
        <strong>
          {place + 1} of {count}: {facts.label} {paint && `with ${paint.name}`} on {job.unitName},{' '}
          {job.partName?.toLowerCase() ?? 'over everything'}
          {job.coats > 1 && `, coat ${job.coat} of ${job.coats}`}
        </strong>
        {`, ${counted(job.models.length, 'model')}, ${minutesText(block.end - block.begin)} from ${minutesText(block.begin)} on`}
        {block.prep > 0 && `, ready in ${minutesText(block.prep)}`}
        {block.wait >= 0.05 && `, waits ${minutesText(block.wait)}`}
        {`, then dries ${minutesText(job.dryMinutes)}. `}
        {why}
      </span>
    </p>
  );
}
