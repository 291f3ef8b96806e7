import { scaleLinear } from 'd3-scale';
import { Minus, Plus } from 'lucide-react';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import type { LinePlan } from '../../core/line/definitions';
import type { LinePicture } from '../../core/views/line';
import { Button } from '../../ui/Button/Button';
import { minutesText } from '../../ui/format';
import { chartBlocks, threadPath, type ChartBlock } from './chartBlocks';
import { JobDetails } from './JobDetails';
import styles from './RelayChart.module.css';

interface RelayChartProps {
  picture: LinePicture;
  plan: LinePlan;
  selected: number;
  onSelect: (place: number) => void;
}

const ROW = 34;
const BLOCK = 20;
const TOP = 22;
const MOST_ZOOM = 16;
/** Waits shorter than this are drawn as gaps but not labelled. */
const LABELLED_WAIT_MINUTES = 2;
const TICK_STEPS = [5, 10, 15, 30, 60, 120, 240, 480];
const MOST_TICKS = 16;

/** One row per tray, legs as blocks of their paint, drying as a hatched tail, the painter's hands as one thread. */
export function RelayChart({ picture, plan, selected, onSelect }: RelayChartProps) {
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
  const blocks = useMemo(() => chartBlocks(picture, plan), [picture, plan]);
  const height = TOP + picture.trays.length * ROW + 6;
  const rowY = (row: number) => TOP + row * ROW + (ROW - BLOCK) / 2;
  const current = blocks[Math.min(selected, blocks.length - 1)]!;

  useEffect(() => {
    const box = frame.current!;
    const at = x(current.begin);
    if (at < box.scrollLeft || at > box.scrollLeft + box.clientWidth - 40) box.scrollLeft = at - box.clientWidth / 3;
  }, [current, x]);

  const onKeyDown = (event: KeyboardEvent) => {
    const moves: Record<string, () => void> = {
      ArrowRight: () => onSelect(Math.min(blocks.length - 1, selected + 1)),
      ArrowLeft: () => onSelect(Math.max(0, selected - 1)),
      Home: () => onSelect(0),
      End: () => onSelect(blocks.length - 1),
      '+': () => setZoom(Math.min(MOST_ZOOM, zoom * 2)),
      '-': () => setZoom(Math.max(1, zoom / 2)),
    };
    const move = moves[event.key];
    if (!move) return;
    event.preventDefault();
    move();
  };

  return (
    <section className={styles.chart} aria-label="Relay chart">
      <ol className={styles.labels} style={{ paddingTop: TOP }}>
        {picture.trays.map((tray) => (
          <li key={tray.id} style={{ height: ROW }}>
            {tray.unitName} <small>{tray.from === tray.to ? tray.from : `${tray.from} to ${tray.to}`}</small>
          </li>
        ))}
      </ol>
      <div
        ref={frame}
        className={styles.frame}
        tabIndex={0}
        role="application"
        aria-roledescription="relay chart"
        aria-label="Jobs in their order; left and right arrow go from one to the next"
        aria-describedby="job-in-hand"
        onKeyDown={onKeyDown}
      >
        <svg width={width} height={height} role="presentation">
          <defs>
            <pattern id="drying" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
              <rect width="2" height="6" className={styles.hatch} />
            </pattern>
          </defs>
          <Ticks x={x} height={height} finish={plan.finish} zoom={zoom} />
          {picture.trays.map((tray, row) => (
            <line key={tray.id} x1={0} x2={width} y1={TOP + row * ROW + ROW / 2} y2={TOP + row * ROW + ROW / 2} className={styles.rail} />
          ))}
          {blocks.map((block) => (
            <rect
              key={`${block.job.id} tail`}
              x={x(block.end)}
              y={rowY(block.row) + BLOCK / 4}
              width={Math.max(0, x(Math.min(block.dryAt, plan.finish)) - x(block.end))}
              height={BLOCK / 2}
              fill="url(#drying)"
            />
          ))}
          <path d={threadPath(blocks, x, (row) => rowY(row) + BLOCK / 2)} className={styles.thread} />
          {blocks.map((block, place) => (
            <Block
              key={block.job.id}
              block={block}
              x={x}
              y={rowY(block.row)}
              isSelected={block === current}
              onSelect={() => onSelect(place)}
            />
          ))}
        </svg>
      </div>
      <div className={styles.details} id="job-in-hand" aria-live="polite">
        <JobDetails block={current} picture={picture} place={Math.min(selected, blocks.length - 1)} count={blocks.length} />
        <span className={styles.zoom}>
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

function Block({
  block,
  x,
  y,
  isSelected,
  onSelect,
}: {
  block: ChartBlock;
  x: (minute: number) => number;
  y: number;
  isSelected: boolean;
  onSelect: () => void;
}) {
  const left = x(block.begin);
  return (
    <g onClick={onSelect} onPointerEnter={onSelect} className={styles.block}>
      {block.wait >= LABELLED_WAIT_MINUTES && (
        <text x={left - 3} y={y - 2} textAnchor="end" className={styles.wait}>
          waits {Math.round(block.wait)} min
        </text>
      )}
      <rect
        x={left}
        y={y}
        width={Math.max(2, x(block.end) - left)}
        height={BLOCK}
        fill={block.paint?.hex ?? 'url(#drying)'}
        className={isSelected ? styles.selected : styles.paint}
      />
    </g>
  );
}

function Ticks({ x, height, finish, zoom }: { x: (minute: number) => number; height: number; finish: number; zoom: number }) {
  const step = TICK_STEPS.find((each) => finish / each <= MOST_TICKS * zoom) ?? TICK_STEPS.at(-1)!;
  // The last label would be cut off at the edge.
  const ticks = Array.from({ length: Math.floor(finish / step) + 1 }, (_, index) => index * step).filter(
    (tick) => tick < finish - step / 3,
  );
  return (
    <g aria-hidden="true">
      {ticks.map((tick) => (
        <g key={tick} transform={`translate(${x(tick)} 0)`}>
          <line y1={TOP - 6} y2={height} className={styles.tick} />
          <text y={12} x={2} className={styles.tickText}>
            {tick === 0 ? 'start' : minutesText(tick)}
          </text>
        </g>
      ))}
    </g>
  );
}
