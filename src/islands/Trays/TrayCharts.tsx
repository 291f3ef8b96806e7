import {
  Bar,
  BarChart,
  CartesianGrid,
  ComposedChart,
  LabelList,
  Line,
  ReferenceArea,
  ReferenceLine,
  XAxis,
  YAxis,
  type LabelProps,
} from 'recharts';
import type { TrayChoice } from '../../core/plan/choices/trayChoices';
import { minutesText } from '../../ui/format';
import { Legend } from '../shared/chart/ChartFigure';
import { below, beside } from '../shared/chart/frame';
import { minuteTicks } from '../shared/chart/ticks';
import { lostMinutes, splitText } from './words';
import styles from './View.module.css';

const LOST_HEIGHT = 124;
const STRETCH_HEIGHT = 124;
/** With more splits than this there is never room for all totals and names. */
const MANY = 9;
/** Half a total: it must not run into the axis. */
const LABEL_HALF = 36;
const AXIS_WIDTH = 84;
const MARGIN = { left: 0, right: 8, top: 18, bottom: 0 };
const LOST = [
  { look: 'grey', label: 'set-up' },
  { look: 'hatch', label: 'waiting' },
  { look: 'dots', label: 'touch-up' },
] as const;
const TICK = { fill: 'var(--ink-soft)' };

interface TrayChartsProps {
  choices: TrayChoice[];
  sweet: TrayChoice | null;
  stretchMinutes: number;
}

/** What each split loses, and how long it keeps the painter at one thing; the sweet spot stands on a darker ground in both. */
export function TrayCharts({ choices, sweet, stretchMinutes }: TrayChartsProps) {
  const data = choices.map((choice) => ({
    name: splitText(choice),
    changeover: choice.totals.changeover,
    wait: choice.totals.wait,
    touchUp: choice.totals.touchUp,
    lost: lostMinutes(choice),
    [choice === sweet ? 'sweetTotal' : 'total']: minutesText(choice.totals.bench),
    stretch: choice.stretch.minutes,
  }));
  const lostTicks = minuteTicks(Math.max(1, ...data.map(({ lost }) => lost)), 3);
  const stretchTicks = minuteTicks(Math.max(stretchMinutes, ...data.map(({ stretch }) => stretch)), 3);
  const spot = sweet && splitText(sweet);
  const frame = { responsive: true, width: '100%', data, margin: MARGIN, accessibilityLayer: false } as const;
  const ground = spot && <ReferenceArea x1={spot} x2={spot} fill="var(--sunken)" fillOpacity={1} ifOverflow="visible" />;
  return (
    <div className={styles.charts} data-many={choices.length > MANY}>
      <figure>
        <figcaption>Time lost by each split; above it the total</figcaption>
        <Legend legend={LOST} />
        <ComposedChart {...frame} height={LOST_HEIGHT}>
          <defs>
            <pattern id="waiting" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
              <rect width="6" height="6" fill="var(--surface)" />
              <rect width="2" height="6" fill="var(--hatch)" />
            </pattern>
            <pattern id="touching-up" width="5" height="5" patternUnits="userSpaceOnUse">
              <rect width="5" height="5" fill="var(--surface)" />
              <circle cx="2" cy="2" r="1" fill="var(--ink)" />
            </pattern>
          </defs>
          {ground}
          <CartesianGrid vertical={false} stroke="var(--line)" />
          <XAxis dataKey="name" tick={false} height={6} />
          <YAxis
            width={AXIS_WIDTH}
            tick={TICK}
            domain={[0, lostTicks.at(-1)!]}
            ticks={lostTicks}
            tickFormatter={minutesText}
            label={beside('lost')}
          />
          <Bar dataKey="changeover" name="set-up" stackId="lost" fill="var(--line-strong)" isAnimationActive={false} />
          <Bar dataKey="wait" stackId="lost" fill="url(#waiting)" stroke="var(--line-strong)" isAnimationActive={false} />
          <Bar dataKey="touchUp" stackId="lost" fill="url(#touching-up)" isAnimationActive={false} />
          {/* A line that is not drawn carries the totals above the stacks, also where the topmost part is nothing. */}
          <Line dataKey="lost" stroke="none" dot={false} activeDot={false} isAnimationActive={false}>
            <LabelList dataKey="total" content={Total} />
            <LabelList dataKey="sweetTotal" content={SweetTotal} />
          </Line>
        </ComposedChart>
      </figure>
      <figure>
        <figcaption>The longest time at one go, against your {minutesText(stretchMinutes)} (dashed, from House rules)</figcaption>
        <BarChart {...frame} height={STRETCH_HEIGHT}>
          {ground}
          <CartesianGrid vertical={false} stroke="var(--line)" />
          <XAxis
            dataKey="name"
            tick={TICK}
            interval={choices.length > MANY ? 'equidistantPreserveStart' : 0}
            height={48}
            label={below('trays × models on each')}
          />
          <YAxis
            width={AXIS_WIDTH}
            tick={TICK}
            domain={[0, stretchTicks.at(-1)!]}
            ticks={stretchTicks}
            tickFormatter={minutesText}
            label={beside('at one go')}
          />
          <Bar dataKey="stretch" fill="var(--solid)" maxBarSize={10} isAnimationActive={false} />
          <ReferenceLine y={stretchMinutes} ifOverflow="extendDomain" stroke="var(--ink)" strokeWidth={2} strokeDasharray="6 4" />
        </BarChart>
      </figure>
    </div>
  );
}

/** On one line; the label that comes with the charts breaks at every space. */
const label = ({ x, y, value }: LabelProps, className: string | undefined) => (
  <text x={Math.max(Number(x), AXIS_WIDTH + LABEL_HALF)} y={Number(y) - 5} textAnchor="middle" className={className}>
    {value}
  </text>
);

/** Left out where there is no room for all of them. */
const Total = (props: LabelProps) => label(props, styles.total);
const SweetTotal = (props: LabelProps) => label(props, styles.sweetTotal);
