import type { LinePlan } from '../../core/line/definitions';
import type { JobInfo } from '../../core/scheme/buildLine';
import type { Paint } from '../../core/scheme/definitions';
import type { LinePicture } from '../../core/views/line';

/** A job as it is drawn: minutes from the start of the line. */
export interface ChartBlock {
  job: JobInfo;
  paint: Paint | null;
  /** Row of its tray. */
  row: number;
  begin: number;
  end: number;
  prep: number;
  wait: number;
  /** When its last model is dry. */
  dryAt: number;
}

/** The jobs of a plan in their order, with the row they stand in. */
export function chartBlocks(picture: LinePicture, plan: LinePlan): ChartBlock[] {
  const jobs = new Map(picture.jobs.map((job) => [job.id, job]));
  const rows = new Map(picture.trays.map((tray, row) => [tray.id, row]));
  const setups = new Map(picture.setups.map((setup) => [setup.id, setup]));
  return plan.jobs.map(({ id, begin, end, prep, wait }) => {
    const job = jobs.get(id)!;
    return { job, paint: setups.get(job.setupId)!.paint, row: rows.get(job.trayId)!, begin, end, prep, wait, dryAt: end + job.dryMinutes };
  });
}

/** The way of the painter's hands from block to block, as an SVG path. */
export function threadPath(blocks: ChartBlock[], x: (minute: number) => number, y: (row: number) => number): string {
  return blocks
    .map(
      (block, index) => `${index === 0 ? 'M' : 'L'}${x(block.begin).toFixed(1)} ${y(block.row)}L${x(block.end).toFixed(1)} ${y(block.row)}`,
    )
    .join('');
}
