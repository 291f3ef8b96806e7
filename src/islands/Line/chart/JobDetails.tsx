import { placeWords } from '../../../core/scheme/model/workWords';
import type { OrderChange } from '../../../core/line/definitions';
import type { PlaceReason } from '../../../core/line/hand/explainPlace';
import { jobMinutes } from '../../../core/plan/build/lineJobs';
import { coatWords } from '../../../core/scheme/model/halves';
import { labelOf } from '../../../core/scheme/model/techniques';
import type { LinePicture } from '../../../contract/line';
import { Swatch } from '../../../ui/Swatch/Swatch';
import { counted, differenceText, minutesText } from '../../../ui/format';
import type { ChartBlock } from './chartBlocks';
import { jobName } from './jobName';
import type { LineTimes } from '../../shared/LineTimes';
import styles from './RelayChart.module.css';

interface JobDetailsProps {
  block: ChartBlock;
  picture: LinePicture;
  /** Null until it has been worked out. */
  reason: PlaceReason | null;
  times: LineTimes;
  doneAt: number;
  place: number;
  count: number;
}

/** The job in hand, in words: what, on how many, when, and why it stands there. */
export function JobDetails({ block, picture, reason, times, doneAt, place, count }: JobDetailsProps) {
  const { job, paint } = block;
  return (
    <div className={styles.job}>
      <Swatch hex={paint?.hex ?? null} kind={paint?.kind ?? null} />
      <p>
        <strong>
          {place + 1} of {count}: {labelOf(job)} {paint && `with ${paint.name}`} on {job.unitName}, {placeWords(job.partName)}
          {coatWords(job)}
        </strong>
        {`, ${counted(job.models.length, 'model')}, ${minutesText(jobMinutes(job))} from ${times.when(block.begin)} on`}
        {times.sessionOf(block.end) > times.sessionOf(block.begin + job.minutes[0]!) && `, done ${times.when(block.end)}`}
        {block.prep > 0 && `, ${minutesText(block.prep)} to set up`}
        {block.wait >= 0.05 && `, waits ${minutesText(block.wait)}`}
        {block.gateAt !== null && `, may begin when the whole tray is dry: ${times.when(block.gateAt)}`}
        {`, then dries ${minutesText(job.dryMinutes)}.`}
      </p>
      <p className={styles.why}>
        {reason ? whyHere(picture, job.id, reason, times, doneAt).join(' ') : 'Working out why it stands here …'}
      </p>
    </div>
  );
}

/** The computed reasons as sentences, the strongest first. */
export function whyHere(
  picture: LinePicture,
  id: string,
  { bestOther, heldBy, fills, shares }: PlaceReason,
  times: LineTimes,
  doneAt: number,
): string[] {
  const said: string[] = [];
  if (fills)
    said.push(
      `Fills drying: without it ${jobName(picture, fills.before)} would wait ${minutesText(fills.minutes)} for ${jobName(picture, fills.of)}.`,
    );
  if (shares) said.push(`Shares its set-up with its neighbour: at least ${minutesText(shares.minutes)} less to set up.`);
  if (heldBy) {
    const rule = picture.reasons.find((entry) => entry.after === id && entry.before === heldBy);
    said.push(`Comes after ${jobName(picture, heldBy)}${rule ? `: ${rule.reason}` : '.'}`);
  }
  if (!bestOther) said.push('The rules allow no other place.');
  else {
    const where = bestOther.behind === null ? 'at the start' : `behind ${jobName(picture, bestOther.behind)}`;
    said.push(`Best other place, ${where}: ${times.changeText(changeOf(bestOther), doneAt)}${partsOf(bestOther)}.`);
  }
  return said;
}

const changeOf = ({ finish, changeover, wait, touchUp, late }: NonNullable<PlaceReason['bestOther']>): OrderChange => ({
  bench: changeover + wait + touchUp,
  finish,
  late,
});

function partsOf({ changeover, wait, touchUp, late, against }: NonNullable<PlaceReason['bestOther']>): string {
  const parts = Object.entries({ 'set-up': changeover, waiting: wait, 'touch-up': touchUp }).filter(
    ([, minutes]) => Math.abs(minutes) >= 0.05,
  );
  if (Math.abs(against) >= 0.05) parts.push([against > 0 ? 'against your habits' : 'nearer to your habits', 0]);
  if (Math.abs(late) >= 1) parts.push([late > 0 ? 'worse for the dates' : 'better for the dates', 0]);
  return parts.length === 0
    ? ''
    : ` (${parts.map(([what, minutes]) => (minutes === 0 ? what : `${what} ${differenceText(minutes)}`)).join(', ')})`;
}
