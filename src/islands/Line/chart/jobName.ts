import { HALF_LABELS } from '../../../core/scheme/model/halves';
import { labelOf } from '../../../core/scheme/model/techniques';
import type { LinePicture } from '../../../contract/line';

/** A job in a few words: Wash Umber on Ferry crew, coat. */
export function jobName(picture: LinePicture, id: string): string {
  const job = picture.jobs.find((each) => each.id === id)!;
  const { paint } = picture.setups.find((setup) => setup.id === job.setupId)!;
  return `${labelOf(job)}${job.half === null ? '' : ` (${HALF_LABELS[job.half]})`}${paint ? ` ${paint.name}` : ''} on ${job.unitName}${job.partName ? `, ${job.partName.toLowerCase()}` : ''}`;
}
