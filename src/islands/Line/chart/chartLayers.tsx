import { MINUTE_MS } from '../../../core/kernel/timeUnits';
import { memo } from 'react';
import type { LinePlan, LineSession } from '../../../core/line/definitions';
import type { PlaceCost } from '../../../core/line/hand/places';
import { dayOfText, minutesText, timeOfDayText } from '../../../ui/format';
import { threadPath, type ChartBlock, type ChartDate } from './chartBlocks';
import type { ChartScale, Scale } from './chartScale';
import type { LineTimes } from '../../shared/LineTimes';
import type { ChartWindow } from './useWindow';
import { minuteOfPlace } from './useCarry';
import styles from './RelayChart.module.css';

export const ROW = 30;
const BLOCK = 20;
/** How far a gate stands out above and below its row. */
const GATE = 3;
/** Room above the rows: the minutes, and the places that what is carried may take. */
export const TOP = 40;
const RAIL = 34;
/** Waits shorter than this are drawn as gaps but not labelled. */
const LABELLED_WAIT_MINUTES = 2;
const TICK_STEPS = [5, 10, 15, 30, 60, 120, 240, 480, 960, 1920];
const MOST_TICKS = 16;

/** Is any of a block, or of the drying behind it, in sight? */
function isSeen({ row, begin, dryAt }: ChartBlock, { left, right, top, bottom }: ChartWindow, x: Scale): boolean {
  const y = TOP + row * ROW;
  return y + ROW >= top && y <= bottom && x(begin) <= right && x(dryAt) >= left;
}

const rowY = (row: number) => TOP + row * ROW + (ROW - BLOCK) / 2;

interface GroundProps {
  scale: ChartScale;
  times: LineTimes;
  height: number;
  finish: number;
  zoom: number;
  rows: number;
  width: number;
}

export const Ground = memo(function Ground({ scale: { x, bands }, times, height, finish, zoom, rows, width }: GroundProps) {
  return (
    <g aria-hidden="true">
      {bands ? (
        <Sessions x={x} bands={bands} times={times} height={height} />
      ) : (
        <Minutes x={x} finish={finish} zoom={zoom} height={height} />
      )}
      {Array.from({ length: rows }, (_, row) => (
        <line key={row} x1={0} x2={width} y1={TOP + row * ROW + ROW / 2} y2={TOP + row * ROW + ROW / 2} className={styles.rail} />
      ))}
    </g>
  );
});

/** Minutes counted from the start. */
function Minutes({ x, finish, zoom, height }: { x: Scale; finish: number; zoom: number; height: number }) {
  const step = TICK_STEPS.find((each) => finish / each <= MOST_TICKS * zoom) ?? TICK_STEPS.at(-1)!;
  // The last label would be cut off at the edge.
  const ticks = Array.from({ length: Math.floor(finish / step) + 1 }, (_, index) => index * step).filter(
    (tick) => tick === 0 || tick < finish - step / 3,
  );
  return ticks.map((tick) => <Tick key={tick} at={x(tick)} height={height} label={tick === 0 ? 'start' : minutesText(tick)} />);
}

/** A session is named by its day and begin where there is room, and divided by the clock where it is wide. */
const DAY_AND_TIME_PIXELS = 118;
const DAY_PIXELS = 66;
const HOUR_PIXELS = 56;
const HOUR = 60;

/** A band for each session, the nights between them darker. */
function Sessions({ x, bands, times, height }: { x: Scale; bands: LineSession[]; times: LineTimes; height: number }) {
  return bands.map(({ from, to }, index) => {
    const left = x(from);
    const wide = x(to) - left;
    const moment = times.momentOf(from)!;
    const day = dayOfText(moment);
    const hours = wide / ((to - from) / HOUR) < HOUR_PIXELS ? 0 : Math.ceil((to - from) / HOUR);
    const next = bands[index + 1];
    return (
      <g key={from} data-session={index}>
        <title>{times.when(from)}</title>
        {next && <rect x={left + wide} width={x(next.from) - left - wide} y={0} height={height} className={styles.night} />}
        {wide >= DAY_PIXELS && (
          <text y={12} x={left + 3} className={styles.tickText}>
            {wide >= DAY_AND_TIME_PIXELS ? `${day}, ${timeOfDayText(moment)}` : day}
          </text>
        )}
        {Array.from({ length: hours }, (_, hour) => fullHour(moment) + hour * HOUR * MINUTE_MS)
          .map((at) => ({ at, x: x(from + (at - moment) / MINUTE_MS) }))
          .filter((tick) => tick.x > left + DAY_AND_TIME_PIXELS && tick.x < left + wide - HOUR_PIXELS / 2)
          .map((tick) => (
            <Tick key={tick.at} at={tick.x} height={height} label={timeOfDayText(tick.at)} />
          ))}
      </g>
    );
  });
}

/** The next full hour of the clock on the wall; not all zones are whole hours from another. */
const fullHour = (moment: number) => new Date(moment).setMinutes(HOUR, 0, 0);

function Tick({ at, height, label }: { at: number; height: number; label: string }) {
  return (
    <g transform={`translate(${at} 0)`}>
      <line y1={14} y2={height} className={styles.tick} />
      <text y={12} x={2} className={styles.tickText}>
        {label}
      </text>
    </g>
  );
}

interface DateMarksProps {
  dates: ChartDate[];
  x: Scale;
  height: number;
  width: number;
}

/** A label is turned to the left of its date where it would run out of the chart. */
const LABEL_PIXELS = 150;

/** Where the commissions' dates fall among the sessions. */
export const DateMarks = memo(function DateMarks({ dates, x, height, width }: DateMarksProps) {
  return dates.map(({ id, name, at, isLate }) => {
    const left = Math.min(x(at), width - 1);
    const isAtEdge = left > width - LABEL_PIXELS;
    return (
      <g key={id} data-testid="date-mark" data-late={isLate} className={styles.date}>
        <line x1={left} x2={left} y1={16} y2={height} />
        <text x={isAtEdge ? left - 3 : left + 3} y={26} textAnchor={isAtEdge ? 'end' : 'start'}>
          {name} due{isLate && ', late'}
        </text>
      </g>
    );
  });
});

interface BlocksProps {
  blocks: ChartBlock[];
  /** Only what is in sight is drawn; a line may have hundreds of rows. */
  seen: ChartWindow;
  x: Scale;
  finish: number;
}

/** Everything that stays where it is while something is carried. */
export const Blocks = memo(function Blocks({ blocks: all, seen, x, finish }: BlocksProps) {
  const blocks = all.filter((block) => isSeen(block, seen, x));
  return (
    <g>
      {blocks.map((block) => (
        <rect
          key={`${block.job.id} tail`}
          x={x(block.end)}
          y={rowY(block.row) + BLOCK / 4}
          width={Math.max(0, x(Math.min(block.dryAt, finish)) - x(block.end))}
          height={BLOCK / 2}
          fill="url(#drying)"
        />
      ))}
      <path d={threadPath(all, x, (row) => rowY(row) + BLOCK / 2)} className={styles.thread} />
      {blocks.map((block) => (
        <rect
          key={block.job.id}
          data-place={block.place}
          x={x(block.begin)}
          y={rowY(block.row)}
          width={Math.max(2, x(block.end) - x(block.begin))}
          height={BLOCK}
          fill={block.paint?.hex ?? 'url(#drying)'}
          className={styles.paint}
        />
      ))}
      {blocks
        .filter((block) => block.gateAt !== null && block.gateAt <= finish)
        .map((block) => (
          <path
            key={`${block.job.id} gate`}
            d={`M${x(block.gateAt!) - 3} ${rowY(block.row) - GATE}h6m-3 0v${BLOCK + 2 * GATE}m-3 0h6`}
            className={styles.gate}
            data-gate
          />
        ))}
      {blocks
        .filter((block) => block.wait >= LABELLED_WAIT_MINUTES)
        .map((block) => (
          <text key={block.job.id} x={x(block.begin) - 3} y={rowY(block.row) - 1} textAnchor="end" className={styles.wait}>
            waits {Math.round(block.wait)} min
          </text>
        ))}
    </g>
  );
});

/** A tack on every job that is pinned, over the frame of the one in hand. */
export const Pins = memo(function Pins({
  blocks,
  seen,
  x,
  pinned,
}: Pick<BlocksProps, 'blocks' | 'seen' | 'x'> & { pinned: ReadonlySet<string> }) {
  return (
    <g aria-hidden="true" pointerEvents="none">
      {blocks
        .filter((block) => pinned.has(block.job.id) && isSeen(block, seen, x))
        .map((block) => (
          <path
            key={block.job.id}
            d={`M${(x(block.begin) + x(block.end)) / 2 - 6} ${rowY(block.row) - 6}h12l-6 10z`}
            className={styles.pin}
            data-pinned={block.job.id}
          />
        ))}
    </g>
  );
});

/** The blocks in hand: framed where one looks at them, lifted while they are carried. */
export function Marked({
  blocks,
  from,
  end,
  x,
  isCarried,
}: {
  blocks: ChartBlock[];
  from: number;
  end: number;
  x: Scale;
  isCarried: boolean;
}) {
  return (
    <g aria-hidden="true" pointerEvents="none">
      {blocks.slice(from, end).map((block) => (
        <rect
          key={block.job.id}
          x={x(block.begin)}
          y={rowY(block.row)}
          width={Math.max(2, x(block.end) - x(block.begin))}
          height={BLOCK}
          className={isCarried ? styles.carried : styles.selected}
        />
      ))}
    </g>
  );
}

/** Where the jobs in hand may go: a mark for each place, the longer the dearer. */
export const Places = memo(function Places({ places, plan, x }: { places: PlaceCost[]; plan: LinePlan; x: Scale }) {
  const dearest = Math.max(1, ...places.map((place) => place.bench));
  return (
    <g aria-hidden="true" pointerEvents="none">
      <line x1={0} x2={x(plan.finish)} y1={RAIL} y2={RAIL} className={styles.placeRail} />
      {oneForEachPixel(places, (place) => x(minuteOfPlace(plan, place.to))).map((place) => {
        const at = x(minuteOfPlace(plan, place.to));
        const tall = 3 + (9 * Math.max(0, place.bench)) / dearest;
        return (
          <line
            key={place.to}
            x1={at}
            x2={at}
            y1={RAIL}
            y2={RAIL - tall}
            className={place.minutes <= 0 ? styles.freePlace : styles.place}
          />
        );
      })}
    </g>
  );
});

/** The cheapest of the places that fall together on the screen. */
function oneForEachPixel(places: PlaceCost[], at: (place: PlaceCost) => number): PlaceCost[] {
  const cheapest = new Map<number, PlaceCost>();
  for (const place of places) {
    const pixel = Math.round(at(place));
    const known = cheapest.get(pixel);
    if (!known || place.minutes < known.minutes) cheapest.set(pixel, place);
  }
  return [...cheapest.values()];
}

export function Over({ place, plan, x, height, times }: { place: PlaceCost; plan: LinePlan; x: Scale; height: number; times: LineTimes }) {
  const at = x(minuteOfPlace(plan, place.to));
  const isLate = at > x(plan.finish) - 90;
  return (
    <g pointerEvents="none">
      <line x1={at} x2={at} y1={18} y2={height} className={styles.over} />
      <text x={isLate ? at - 6 : at + 6} y={RAIL - 8} textAnchor={isLate ? 'end' : 'start'} className={styles.overText} data-carry-change>
        {times.changeText(place, plan.finish)}
      </text>
    </g>
  );
}
