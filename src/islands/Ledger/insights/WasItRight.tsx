import { CartesianGrid, ComposedChart, ErrorBar, LabelList, ReferenceLine, Scatter, Tooltip, XAxis, YAxis } from 'recharts';
import type { LogInsights } from '../../../contract/insights';
import type { HitRate } from '../../../core/time/check/insights';
import { Panel } from '../../../ui/Panel/Panel';
import { counted, minutesText, momentText, plain } from '../../../ui/format';
import { ChartFigure } from '../../shared/chart/ChartFigure';
import { below, beside, CHART_FIGURE, CHART_FRAME, CHART_TICK, CHART_TIP } from '../../shared/chart/frame';
import { roundTicks } from '../../shared/chart/ticks';
import styles from '../View.module.css';

const HEIGHT = 240;
/** Rows are counted from the oldest; so many stand between two ticks. */
const ROWS_A_TICK = 20;
/** Of a hundred so many should hold. */
const SHOULD = 80;
const TOLERANCE = 8;

const heldText = ({ rows, safe, inside }: HitRate) =>
  `of ${counted(rows, 'row')}, ${safe} took no longer than the cautious estimate and ${inside} lay between P10 and P90 (${SHOULD} of 100 should)`;

/**
 * Whether the estimates held, in a sentence.
 *
 * @example heldAnswer({ rows: 50, safe: 41, inside: 40 }) // 'Yes: 82 of 100 rows took no longer than the cautious estimate, and 80 should.'
 */
export function heldAnswer({ rows, safe }: HitRate): string {
  if (rows === 0) return 'Nobody can say yet: no row was predicted.';
  const of = Math.round((100 * safe) / rows);
  const word = of < SHOULD - TOLERANCE ? 'Too short' : of > SHOULD + TOLERANCE ? 'Too cautious' : 'Yes';
  return `${word}: ${of} of 100 rows took no longer than the cautious estimate, and ${SHOULD} should.`;
}

/** Each finished stretch against what was foretold of it before. */
export function WasItRight({ points, lastHundred, all, odd, pending }: LogInsights) {
  const shares = points.map((point) => point.minutes / point.p50);
  const farthest = shares.indexOf(Math.max(...shares));
  const data = points.map((point, index) => ({
    ...point,
    place: index + 1,
    share: shares[index]!,
    band: [1 - point.p10 / point.p50, point.p90 / point.p50 - 1],
    middle: 1,
    // The one farthest off is named where it stands.
    name: index === farthest ? `${point.what}, ×${plain(shares[index]!, 1)}` : '',
  }));
  const ticks = roundTicks(0, Math.max(1, ...shares, ...points.map((point) => point.p90 / point.p50)), 4);
  return (
    <Panel title="Was the estimate right?">
      {pending && <p role="status">The last rows are being compared; reload in a moment.</p>}
      {points.length === 0 && !pending && <p>The chart appears when the first jobs are finished.</p>}
      {points.length > 0 && (
        <ChartFigure
          answer={heldAnswer(lastHundred)}
          legend={[
            { look: 'dot', label: 'actual time ÷ estimate' },
            { look: 'band', label: 'its interval, P10 to P90' },
            { look: 'line', label: 'just as estimated' },
          ]}
          note={
            <span data-testid="hit-rate">
              Lately {heldText(lastHundred)}. All told {heldText(all)}.
              {odd > 0 && ` ${counted(odd, 'row')} that look odd or are left out do not count.`}
            </span>
          }
        >
          <ComposedChart {...CHART_FRAME} height={HEIGHT} data={data}>
            <CartesianGrid vertical={false} stroke="var(--line)" />
            <XAxis
              dataKey="place"
              type="number"
              domain={[0, points.length + 1]}
              ticks={Array.from({ length: Math.floor(points.length / ROWS_A_TICK) + 1 }, (_, index) => index * ROWS_A_TICK)}
              height={48}
              tick={CHART_TICK}
              label={below(`the last ${counted(points.length, 'row')}, oldest to newest`)}
            />
            <YAxis
              width={64}
              tick={CHART_TICK}
              domain={[0, ticks.at(-1)!]}
              ticks={ticks}
              tickFormatter={(value: number) => `×${plain(value, 1)}`}
              label={beside('actual ÷ estimate')}
            />
            <Tooltip {...CHART_TIP} content={<Foretold />} />
            <Scatter dataKey="middle" fill="transparent" isAnimationActive={false}>
              <ErrorBar dataKey="band" direction="y" width={0} stroke="var(--line-strong)" strokeWidth={3} isAnimationActive={false} />
            </Scatter>
            <Scatter dataKey="share" fill="var(--ink)" isAnimationActive={false} shape="circle">
              <LabelList dataKey="name" position={farthest > points.length / 2 ? 'left' : 'right'} {...CHART_FIGURE} />
            </Scatter>
            <ReferenceLine y={1} stroke="var(--ink)" strokeWidth={2} />
          </ComposedChart>
        </ChartFigure>
      )}
    </Panel>
  );
}

function Foretold({ payload }: { payload?: readonly { payload: LogInsights['points'][number] }[] }) {
  const point = payload?.[0]?.payload;
  if (!point) return null;
  return (
    <div className={styles.tip}>
      {point.what}, {momentText(point.at)}: {minutesText(point.minutes)}; expected {minutesText(point.p50)}, cautious{' '}
      {minutesText(point.p80)}
    </div>
  );
}
