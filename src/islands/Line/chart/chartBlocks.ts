import { isOwnDate } from '../../../core/plan/dates/lineDates';
import type { LinePlan, LineProblem } from '../../../core/line/definitions';
import type { JobInfo } from '../../../core/plan/build/lineJobs';
import type { Paint } from '../../../core/scheme/model/definitions';
import { setupLabel } from '../../../core/scheme/passes/setups';
import type { LinePicture } from '../../../contract/line';
import { positionsText } from '../../../ui/format';

export type RowsBy = 'tray' | 'setup';

/** A job as it is drawn: minutes from the start of the line. */
export interface ChartBlock {
  /** Its place in the order. */
  place: number;
  job: JobInfo;
  paint: Paint | null;
  /** Row of its tray or setup. */
  row: number;
  begin: number;
  end: number;
  prep: number;
  wait: number;
  /** When its last model is dry. */
  dryAt: number;
  /** When all of another job is dry that it waits for as a whole; null when it may follow model by model. */
  gateAt: number | null;
}

export interface ChartRow {
  id: string;
  name: string;
  detail: string;
  /** It stands above the rows of a commission and has no jobs. */
  isHeading?: boolean;
}

/** A commission's date, where it falls within the chart. */
export interface ChartDate {
  id: string;
  name: string;
  at: number;
  isLate: boolean;
}

export const chartDates = ({ commissions }: LinePicture, { due, finish }: LinePlan): ChartDate[] =>
  due.filter(isOwnDate).flatMap(({ id, at, end }) => {
    const name = commissions.find((each) => each.id === id)?.name ?? '';
    return at <= finish ? [{ id, name, at, isLate: end > at }] : [];
  });

/** The jobs of a plan in their order, with the row they stand in; setups stand in the order in which they are first opened. */
export function chartBlocks(picture: LinePicture, plan: LinePlan, rowsBy: RowsBy): { blocks: ChartBlock[]; rows: ChartRow[] } {
  const jobs = new Map(picture.jobs.map((job) => [job.id, job]));
  const setups = new Map(picture.setups.map((setup) => [setup.id, setup]));
  const rows = rowsBy === 'tray' ? trayRows(picture) : setupRows(picture, plan);
  const rowOf = new Map(rows.map((row, index) => [row.id, index]));
  const gates = gatesOf(picture.problem, plan);
  const blocks = plan.jobs.map(({ id, begin, end, prep, wait }, place) => {
    const job = jobs.get(id)!;
    const row = rowOf.get(rowsBy === 'tray' ? job.trayId : job.setupId)!;
    return {
      place,
      job,
      paint: setups.get(job.setupId)!.paint,
      row,
      begin,
      end,
      prep,
      wait,
      dryAt: end + job.dryMinutes,
      gateAt: gates.get(id) ?? null,
    };
  });
  return { blocks, rows };
}

/** The minutes at which whole trays are dry, for the jobs that may not begin before. */
function gatesOf(problem: LineProblem, plan: LinePlan): Map<string, number> {
  const ends = new Map(plan.jobs.map(({ id, end }) => [id, end]));
  const drying = new Map(problem.jobs.map(({ id, dryMinutes }) => [id, dryMinutes]));
  const gates = new Map<string, number>();
  for (const { id, after } of problem.jobs)
    for (const { job, scope, lagMinutes } of after)
      if (scope === 'tray') gates.set(id, Math.max(gates.get(id) ?? 0, ends.get(job)! + (lagMinutes ?? drying.get(job)!)));
  return gates;
}

/** Trays by commission, each under its name where there are several. */
function trayRows({ trays, jobs, commissions }: LinePicture): ChartRow[] {
  const commissionOf = new Map(jobs.map((job) => [job.trayId, job.commissionId]));
  const ids = [...new Set(trays.map(({ id }) => commissionOf.get(id)!))];
  return ids.flatMap((commission): ChartRow[] => {
    const own = trays.filter(({ id }) => commissionOf.get(id) === commission);
    const rows = own.map(({ id, unitName, models }) => ({ id, name: unitName, detail: positionsText(models) }));
    if (ids.length === 1) return rows;
    const { name } = commissions.find(({ id }) => id === commission)!;
    return [{ id: `commission ${commission}`, name, detail: '', isHeading: true }, ...rows];
  });
}

function setupRows(picture: LinePicture, plan: LinePlan): ChartRow[] {
  const setups = new Map(picture.setups.map((setup) => [setup.id, setup]));
  return [...new Set(plan.legs.map((leg) => leg.setup))].map((id) => {
    const setup = setups.get(id)!;
    const label = setupLabel(setup);
    return { id, name: setup.paint?.name ?? label, detail: setup.paint ? label.toLowerCase() : '' };
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
