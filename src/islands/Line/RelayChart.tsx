import { scaleLinear, type ScaleLinear } from 'd3-scale';
import { Minus, Plus } from 'lucide-react';
import { memo, useEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import type { LinePlan } from '../../core/line/definitions';
import type { PlaceCost } from '../../core/line/places';
import type { LinePicture } from '../../core/views/line';
import { Button } from '../../ui/Button/Button';
import { differenceText, minutesText } from '../../ui/format';
import { chartBlocks, threadPath, type ChartBlock, type RowsBy } from './chartBlocks';
import type { useCarry } from './useCarry';
import { minuteOfPlace } from './useCarry';
import styles from './RelayChart.module.css';

interface RelayChartProps {
  picture: LinePicture;
  plan: LinePlan;
  rowsBy: RowsBy;
  pinned: ReadonlySet<string>;
  selected: number;
  onSelect: (place: number) => void;
  carrying: ReturnType<typeof useCarry>;
  wholeLeg: boolean;
  /** What the job in hand is, and why it stands there. */
  details: ReactNode;
  /** Controls beside the zoom. */
  controls: ReactNode;
}

type Scale = ScaleLinear<number, number>;

const ROW = 30;
const BLOCK = 20;
/** Room above the rows: the minutes, and the places that what is carried may take. */
const TOP = 40;
const RAIL = 34;
const MOST_ZOOM = 32;
/** Waits shorter than this are drawn as gaps but not labelled. */
const LABELLED_WAIT_MINUTES = 2;
const TICK_STEPS = [5, 10, 15, 30, 60, 120, 240, 480, 960, 1920];
const MOST_TICKS = 16;
/** A pointer that has moved so far is carrying, not pointing. */
const CARRY_PIXELS = 5;
const EDGE_PIXELS = 36;

const rowY = (row: number) => TOP + row * ROW + (ROW - BLOCK) / 2;

/** One row per tray or setup, legs as blocks of their paint, drying as a hatched tail, the painter's hands as one thread. */
export function RelayChart(props: RelayChartProps) {
  const { picture, plan, rowsBy, pinned, selected, onSelect, carrying, wholeLeg, details, controls } = props;
  const frame = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState(900);
  const [zoom, setZoom] = useState(1);
  useEffect(() => {
    const observer = new ResizeObserver(([entry]) => setRoom(Math.max(300, entry!.contentRect.width)));
    observer.observe(frame.current!);
    return () => observer.disconnect();
  }, []);
  const width = room * zoom - 4;
  const x = useMemo(() => scaleLinear([0, Math.max(1, plan.finish)], [0, width]), [plan.finish, width]);
  const { blocks, rows } = useMemo(() => chartBlocks(picture, plan, rowsBy), [picture, plan, rowsBy]);
  const height = TOP + rows.length * ROW + 6;
  const current = Math.min(selected, blocks.length - 1);
  const { carry } = carrying;

  const over = carry?.places?.[carry.over] ?? null;
  const focus = over ? minuteOfPlace(plan, over.to) : blocks[current]!.begin;
  useEffect(() => {
    const box = frame.current!;
    const at = x(focus);
    if (at < box.scrollLeft || at > box.scrollLeft + box.clientWidth - EDGE_PIXELS) box.scrollLeft = at - box.clientWidth / 3;
  }, [focus, x]);

  const pointer = usePointer(frame, x, carrying, wholeLeg, onSelect);

  const onKeyDown = (event: KeyboardEvent) => {
    const act = keyAction(event, { carrying, wholeLeg, selected: current, count: blocks.length, onSelect, zoom, setZoom });
    if (!act) return;
    event.preventDefault();
    event.stopPropagation();
    act();
  };

  return (
    <section className={styles.chart} aria-label="Relay chart">
      <div className={styles.scroll}>
        <ol className={styles.labels} style={{ paddingTop: TOP }}>
          {rows.map((row) => (
            <li key={row.id} style={{ height: ROW }}>
              {row.name} <small>{row.detail}</small>
            </li>
          ))}
        </ol>
        <div
          ref={frame}
          className={styles.frame}
          tabIndex={0}
          role="application"
          aria-roledescription="relay chart"
          aria-label="Jobs in their order; arrows go from one to the next, Enter picks one up"
          aria-describedby="job-in-hand"
          onKeyDown={onKeyDown}
          {...pointer}
        >
          <svg width={width} height={height} role="presentation" data-carrying={carry !== null}>
            <defs>
              <pattern id="drying" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
                <rect width="2" height="6" className={styles.hatch} />
              </pattern>
            </defs>
            <Ground x={x} height={height} finish={plan.finish} zoom={zoom} rows={rows.length} width={width} />
            <Blocks blocks={blocks} x={x} finish={plan.finish} />
            <Marked blocks={blocks} from={carry?.from ?? current} end={carry?.end ?? current + 1} x={x} isCarried={carry !== null} />
            <Pins blocks={blocks} x={x} pinned={pinned} />
            {carry?.places && <Places places={carry.places} plan={plan} x={x} />}
            {over && <Over place={over} plan={plan} x={x} height={height} />}
          </svg>
        </div>
      </div>
      <div className={styles.details}>
        <div id="job-in-hand" aria-live="polite">
          {details}
        </div>
        <span className={styles.zoom}>
          {controls}
          <Button kind="quiet" aria-label="Zoom out" disabled={zoom === 1} onClick={() => setZoom(zoom / 2)}>
            <Minus aria-hidden="true" size={18} />
          </Button>
          <Button kind="quiet" aria-label="Zoom in" disabled={zoom >= MOST_ZOOM} onClick={() => setZoom(zoom * 2)}>
            <Plus aria-hidden="true" size={18} />
          </Button>
        </span>
      </div>
    </section>
  );
}

/** Pointing at a block selects it; a pointer that is pressed on one and moves away carries it. */
function usePointer(
  frame: React.RefObject<HTMLDivElement | null>,
  x: Scale,
  carrying: ReturnType<typeof useCarry>,
  wholeLeg: boolean,
  onSelect: (place: number) => void,
) {
  const pressed = useRef<{ place: number; x: number; y: number } | null>(null);
  const placeOf = (event: PointerEvent) => {
    const place = (event.target as Element).getAttribute('data-place');
    return place === null ? null : Number(place);
  };
  return {
    onPointerOver: (event: PointerEvent) => {
      const place = placeOf(event);
      if (place !== null && event.pointerType === 'mouse' && !carrying.carry && event.buttons === 0) onSelect(place);
    },
    onPointerDown: (event: PointerEvent) => {
      const place = placeOf(event);
      if (place === null || event.button !== 0) return;
      pressed.current = { place, x: event.clientX, y: event.clientY };
      onSelect(place);
    },
    onPointerMove: (event: PointerEvent) => {
      const start = pressed.current;
      if (!start) return;
      const box = frame.current!;
      if (!carrying.carry) {
        if (Math.hypot(event.clientX - start.x, event.clientY - start.y) < CARRY_PIXELS) return;
        box.setPointerCapture(event.pointerId);
        carrying.pickUp(start.place, wholeLeg);
        return;
      }
      const { left, right } = box.getBoundingClientRect();
      if (event.clientX > right - EDGE_PIXELS) box.scrollBy(EDGE_PIXELS / 3, 0);
      if (event.clientX < left + EDGE_PIXELS) box.scrollBy(-EDGE_PIXELS / 3, 0);
      carrying.holdOver(x.invert(event.clientX - left + box.scrollLeft));
    },
    onPointerUp: () => {
      if (pressed.current && carrying.carry) carrying.drop();
      pressed.current = null;
    },
    onPointerCancel: () => {
      if (pressed.current) carrying.putBack();
      pressed.current = null;
    },
  };
}

interface Keys {
  carrying: ReturnType<typeof useCarry>;
  wholeLeg: boolean;
  selected: number;
  count: number;
  onSelect: (place: number) => void;
  zoom: number;
  setZoom: (zoom: number) => void;
}

function keyAction(event: KeyboardEvent, { carrying, wholeLeg, selected, count, onSelect, zoom, setZoom }: Keys): (() => void) | undefined {
  if (event.ctrlKey || event.metaKey || event.altKey) return undefined;
  const held: Record<string, () => void> = {
    ArrowRight: () => carrying.step(1),
    ArrowLeft: () => carrying.step(-1),
    Enter: carrying.drop,
    ' ': carrying.drop,
    Escape: carrying.putBack,
  };
  const free: Record<string, () => void> = {
    ArrowRight: () => onSelect(Math.min(count - 1, selected + 1)),
    ArrowLeft: () => onSelect(Math.max(0, selected - 1)),
    Home: () => onSelect(0),
    End: () => onSelect(count - 1),
    Enter: () => carrying.pickUp(selected, wholeLeg || event.shiftKey),
    ' ': () => carrying.pickUp(selected, wholeLeg || event.shiftKey),
  };
  const always: Record<string, () => void> = {
    '+': () => setZoom(Math.min(MOST_ZOOM, zoom * 2)),
    '-': () => setZoom(Math.max(1, zoom / 2)),
  };
  return { ...always, ...(carrying.carry ? held : free) }[event.key];
}

interface GroundProps {
  x: Scale;
  height: number;
  finish: number;
  zoom: number;
  rows: number;
  width: number;
}

const Ground = memo(function Ground({ x, height, finish, zoom, rows, width }: GroundProps) {
  const step = TICK_STEPS.find((each) => finish / each <= MOST_TICKS * zoom) ?? TICK_STEPS.at(-1)!;
  // The last label would be cut off at the edge.
  const ticks = Array.from({ length: Math.floor(finish / step) + 1 }, (_, index) => index * step).filter(
    (tick) => tick === 0 || tick < finish - step / 3,
  );
  return (
    <g aria-hidden="true">
      {ticks.map((tick) => (
        <g key={tick} transform={`translate(${x(tick)} 0)`}>
          <line y1={14} y2={height} className={styles.tick} />
          <text y={12} x={2} className={styles.tickText}>
            {tick === 0 ? 'start' : minutesText(tick)}
          </text>
        </g>
      ))}
      {Array.from({ length: rows }, (_, row) => (
        <line key={row} x1={0} x2={width} y1={TOP + row * ROW + ROW / 2} y2={TOP + row * ROW + ROW / 2} className={styles.rail} />
      ))}
    </g>
  );
});

interface BlocksProps {
  blocks: ChartBlock[];
  x: Scale;
  finish: number;
}

/** Everything that stays where it is while something is carried. */
const Blocks = memo(function Blocks({ blocks, x, finish }: BlocksProps) {
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
      <path d={threadPath(blocks, x, (row) => rowY(row) + BLOCK / 2)} className={styles.thread} />
      {blocks.map((block, place) => (
        <rect
          key={block.job.id}
          data-place={place}
          x={x(block.begin)}
          y={rowY(block.row)}
          width={Math.max(2, x(block.end) - x(block.begin))}
          height={BLOCK}
          fill={block.paint?.hex ?? 'url(#drying)'}
          className={styles.paint}
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
const Pins = memo(function Pins({ blocks, x, pinned }: Pick<BlocksProps, 'blocks' | 'x'> & { pinned: ReadonlySet<string> }) {
  return (
    <g aria-hidden="true" pointerEvents="none">
      {blocks
        .filter((block) => pinned.has(block.job.id))
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
function Marked({ blocks, from, end, x, isCarried }: { blocks: ChartBlock[]; from: number; end: number; x: Scale; isCarried: boolean }) {
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
const Places = memo(function Places({ places, plan, x }: { places: PlaceCost[]; plan: LinePlan; x: Scale }) {
  const dearest = Math.max(1, ...places.map((place) => place.minutes));
  return (
    <g aria-hidden="true" pointerEvents="none">
      <line x1={0} x2={x(plan.finish)} y1={RAIL} y2={RAIL} className={styles.placeRail} />
      {places.map((place) => {
        const at = x(minuteOfPlace(plan, place.to));
        const tall = 3 + (9 * Math.max(0, place.minutes)) / dearest;
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

function Over({ place, plan, x, height }: { place: PlaceCost; plan: LinePlan; x: Scale; height: number }) {
  const at = x(minuteOfPlace(plan, place.to));
  const isLate = at > x(plan.finish) - 90;
  return (
    <g pointerEvents="none">
      <line x1={at} x2={at} y1={18} y2={height} className={styles.over} />
      <text x={isLate ? at - 6 : at + 6} y={RAIL - 8} textAnchor={isLate ? 'end' : 'start'} className={styles.overText} data-carry-change>
        {differenceText(place.minutes)}
      </text>
    </g>
  );
}
