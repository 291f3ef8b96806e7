import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import type { LinePlan } from '../../../core/line/definitions';
import { Button } from '../../../ui/Button/Button';
import { Minus, Plus } from '../../../ui/icons';
import type { ChartBlock, ChartDate, ChartRow } from './chartBlocks';
import { EDGE_PIXELS, keyAction, MOST_ZOOM, usePointer } from './chartHands';
import { Blocks, DateMarks, Ground, Marked, Over, Pins, Places, ROW, TOP } from './chartLayers';
import { chartScale } from './chartScale';
import type { LineTimes } from '../../shared/LineTimes';
import { type Carrying, minuteOfPlace } from './useCarry';
import { useWindow } from './useWindow';
import { Legend } from '../../shared/chart/ChartFigure';
import styles from './RelayChart.module.css';

interface RelayChartProps {
  plan: LinePlan;
  times: LineTimes;
  blocks: ChartBlock[];
  rows: ChartRow[];
  dates: ChartDate[];
  pinned: ReadonlySet<string>;
  selected: number;
  onSelect: (place: number) => void;
  carrying: Carrying;
  wholeLeg: boolean;
  /** What the job in hand is, and why it stands there. */
  details: ReactNode;
  /** Controls beside the zoom. */
  controls: ReactNode;
}

const KEY = [
  { look: 'grey', label: 'a job, in its paint' },
  { look: 'hatch', label: 'drying' },
  { look: 'line', label: 'your hands, from job to job' },
  { look: 'band', label: 'the whole tray is dry' },
  { look: 'pale', label: 'no session' },
] as const;

/** One row per tray or setup, legs as blocks of their paint, drying as a hatched tail, the painter's hands as one thread. */
export function RelayChart(props: RelayChartProps) {
  const { plan, times, blocks, rows, dates, pinned, selected, onSelect, carrying, wholeLeg, details, controls } = props;
  const frame = useRef<HTMLDivElement>(null);
  const upright = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState(900);
  const [zoom, setZoom] = useState(1);
  useEffect(() => {
    const observer = new ResizeObserver(([entry]) => setRoom(Math.max(300, entry!.contentRect.width)));
    observer.observe(frame.current!);
    return () => observer.disconnect();
  }, []);
  const width = room * zoom - 4;
  const scale = useMemo(() => chartScale(times.sessions, plan.finish, width), [times, plan.finish, width]);
  const { x } = scale;
  const height = TOP + rows.length * ROW + 6;
  const current = Math.min(selected, blocks.length - 1);
  const { carry } = carrying;
  const seen = useWindow(upright, frame);

  const over = carry?.places?.[carry.over] ?? null;
  const focus = over ? minuteOfPlace(plan, over.to) : blocks[current]!.begin;
  useEffect(() => {
    const box = frame.current!;
    const at = x(focus);
    if (at < box.scrollLeft || at > box.scrollLeft + box.clientWidth - EDGE_PIXELS) box.scrollLeft = at - box.clientWidth / 3;
  }, [focus, x]);
  const row = blocks[current]!.row;
  useEffect(() => {
    const box = upright.current!;
    const top = TOP + row * ROW;
    // A row of which only an edge is in sight cannot be taken hold of.
    if (top < box.scrollTop || top + ROW > box.scrollTop + box.clientHeight) box.scrollTop = top - box.clientHeight / 2;
  }, [row]);

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
      <div ref={upright} className={styles.scroll}>
        <div className={styles.side}>
          <span className={styles.axes}>
            <span>trays</span>
            <span>time →</span>
          </span>
          <ol className={styles.labels} style={{ paddingTop: TOP }}>
            {rows.map((row) => (
              <li key={row.id} style={{ height: ROW }} data-heading={row.isHeading}>
                {row.name} <small>{row.detail}</small>
              </li>
            ))}
          </ol>
        </div>
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
            <Ground scale={scale} times={times} height={height} finish={plan.finish} zoom={zoom} rows={rows.length} width={width} />
            <Blocks blocks={blocks} seen={seen} x={x} finish={plan.finish} />
            <Marked blocks={blocks} from={carry?.from ?? current} end={carry?.end ?? current + 1} x={x} isCarried={carry !== null} />
            <Pins blocks={blocks} seen={seen} x={x} pinned={pinned} />
            <DateMarks dates={dates} x={x} height={height} width={width} />
            {carry?.places && <Places places={carry.places} plan={plan} x={x} />}
            {over && <Over place={over} plan={plan} x={x} height={height} times={times} />}
          </svg>
        </div>
      </div>
      <div className={styles.key}>
        <Legend legend={KEY} />
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
