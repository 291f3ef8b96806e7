import { useState } from 'react';
import { Bar, BarChart, CartesianGrid, ComposedChart, ErrorBar, Line, ReferenceLine, Scatter, Tooltip, XAxis, YAxis } from 'recharts';
import type { GroupPace, HitRate } from '../../core/time/check/insights';
import type { LogInsights } from '../../contract/insights';
import { SelectField } from '../../ui/Field/Field';
import { Panel } from '../../ui/Panel/Panel';
import { counted, minutesText, momentText, percentText, plain } from '../../ui/format';
import { Opened } from '../shared/Opened';
import { STAGE_WORDS } from '../shared/stageWords';
import styles from './View.module.css';

const HEIGHT = 220;
const TICK = { fill: 'var(--ink-soft)' };
const FRAME = {
  responsive: true,
  width: '100%',
  height: HEIGHT,
  margin: { left: 0, right: 12, top: 8, bottom: 0 },
  accessibilityLayer: false,
} as const;
const TIP = {
  contentStyle: { background: 'var(--surface)', borderColor: 'var(--line-strong)' },
  cursor: { fill: 'var(--sunken)' },
} as const;

/** What the log shows beside its rows; worked out after the page is there. */
export function Insights() {
  return (
    <Opened<LogInsights> url="/api/time-log/insights" what="what the log shows">
      {(insights) => (
        <div className={styles.insights}>
          <WasItRight {...insights} />
          <GettingFaster {...insights} />
          <Pace {...insights} />
          <Hours {...insights} />
        </div>
      )}
    </Opened>
  );
}

const heldText = ({ rows, safe, inside }: HitRate) =>
  `of ${counted(rows, 'row')}, ${safe} took no longer than the cautious estimate and ${inside} lay between P10 and P90 (80 of 100 should)`;

/** Each finished stretch against what was foretold of it before. */
function WasItRight({ points, lastHundred, all, odd, pending }: LogInsights) {
  const data = points.map((point) => ({
    ...point,
    share: point.minutes / point.p50,
    band: [1 - point.p10 / point.p50, point.p90 / point.p50 - 1],
    middle: 1,
  }));
  return (
    <Panel title="Was the estimate right?">
      {pending && <p role="status">The last rows are being compared; reload in a moment.</p>}
      {points.length === 0 && !pending && <p>The chart appears when the first jobs are finished.</p>}
      {points.length > 0 && (
        <figure className={styles.chart}>
          <ComposedChart {...FRAME} data={data}>
            <CartesianGrid vertical={false} stroke="var(--line)" />
            <XAxis dataKey="at" tick={false} height={8} />
            <YAxis width={48} tick={TICK} domain={[0, 'auto']} tickFormatter={(value: number) => `×${plain(value, 1)}`} />
            <Tooltip {...TIP} content={<Foretold />} />
            <Scatter dataKey="middle" fill="transparent" isAnimationActive={false}>
              <ErrorBar dataKey="band" direction="y" width={0} stroke="var(--line-strong)" strokeWidth={3} />
            </Scatter>
            <Scatter dataKey="share" fill="var(--ink)" isAnimationActive={false} shape="circle" />
            <ReferenceLine y={1} stroke="var(--ink)" strokeWidth={2} />
          </ComposedChart>
          <figcaption data-testid="hit-rate">
            The last {points.length} rows of the log, oldest on the left: actual time ÷ estimate (the line at 1), and the interval it was
            given (grey). Lately {heldText(lastHundred)}. All told {heldText(all)}.
            {odd > 0 && ` ${counted(odd, 'row')} that look odd or are left out do not count.`}
          </figcaption>
        </figure>
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

function GettingFaster({ learning, saved }: LogInsights) {
  const [key, setKey] = useState(learning[0]?.key ?? '');
  const step = learning.find((each) => each.key === key);
  return (
    <Panel title="Do you get faster with repetition?">
      {step ? (
        <>
          <SelectField
            label="Step"
            value={key}
            options={learning.map((each) => ({ value: each.key, label: `${each.step}, ${each.unit} (${each.commission})` }))}
            onChange={setKey}
          />
          <figure className={styles.chart}>
            <ComposedChart {...FRAME} data={step.points}>
              <CartesianGrid vertical={false} stroke="var(--line)" />
              <XAxis dataKey="models" type="number" tick={TICK} domain={[0, 'dataMax']} tickFormatter={(value: number) => plain(value)} />
              <YAxis width={56} tick={TICK} domain={[0, 'auto']} tickFormatter={(value: number) => minutesText(value)} />
              <Tooltip
                {...TIP}
                formatter={(value, name) => [`${minutesText(Number(value))} a model`, name === 'curve' ? 'on the curve' : 'took']}
                labelFormatter={(value) => `around model ${plain(Number(value))}`}
              />
              <Line dataKey="curve" stroke="var(--ink)" strokeWidth={2} dot={false} isAnimationActive={false} />
              <Scatter dataKey="minutes" fill="var(--line-strong)" isAnimationActive={false} />
            </ComposedChart>
            <figcaption data-testid="saved">
              Minutes of a model over the models painted before, coat by coat. On this step each doubling saves {percentText(step.saved)};
              over all steps {percentText(saved)}.
            </figcaption>
          </figure>
        </>
      ) : (
        <p>A curve appears when a step has two rows in the log. Until then each doubling is taken to save {percentText(saved)}.</p>
      )}
    </Panel>
  );
}

const PACES = [
  { key: 'bySize', what: 'size' },
  { key: 'byHour', what: 'hour' },
  { key: 'byPlace', what: 'time into the session' },
] as const;

/** Where the pace is another than foretold, beyond chance. */
function Pace(insights: LogInsights) {
  return (
    <Panel title="When are you faster or slower?">
      {PACES.map(({ key, what }) => {
        const groups = insights[key];
        const clear = groups.filter((group) => group.isClear);
        if (clear.length === 0)
          return (
            <p key={key}>
              By {what}: {groups.length < 2 ? 'too few rows yet' : 'no difference that is more than chance'}.
            </p>
          );
        return <PaceBars key={key} what={what} groups={groups} />;
      })}
    </Panel>
  );
}

function PaceBars({ what, groups }: { what: string; groups: readonly GroupPace[] }) {
  const data = groups.map((group) => ({
    ...group,
    name: `${group.name} (${group.rows})`,
    [group.isClear ? 'clear' : 'chance']: group.more,
  }));
  return (
    <figure className={styles.chart}>
      <BarChart {...FRAME} height={36 + 26 * groups.length} data={data} layout="vertical">
        <CartesianGrid horizontal={false} stroke="var(--line)" />
        <XAxis type="number" tick={TICK} tickFormatter={(value: number) => percentText(value)} />
        <YAxis type="category" dataKey="name" width={150} tick={{ fill: 'var(--ink)' }} interval={0} />
        <Tooltip {...TIP} formatter={(value) => [percentText(Number(value)), 'longer than estimated']} />
        <Bar dataKey="clear" stackId="more" fill="var(--solid)" isAnimationActive={false} />
        <Bar dataKey="chance" stackId="more" fill="var(--line)" isAnimationActive={false} />
        <ReferenceLine x={0} stroke="var(--ink)" />
      </BarChart>
      <figcaption>By {what}, against all rows: right of the line slower. Dark bars are more than chance; pale ones may be.</figcaption>
    </figure>
  );
}

function Hours({ stages }: LogInsights) {
  const data = stages.map(({ commission, minutes }) => {
    const total = minutes.build + minutes.base + minutes.tail;
    return {
      name: commission ?? 'All together',
      build: total === 0 ? 0 : minutes.build / total,
      base: total === 0 ? 0 : minutes.base / total,
      tail: total === 0 ? 0 : minutes.tail / total,
      total,
    };
  });
  const [all] = data;
  return (
    <Panel title="Where do the hours go?">
      {!all || all.total === 0 ? (
        <p>The chart appears with the first rows.</p>
      ) : (
        <figure className={styles.chart}>
          <BarChart {...FRAME} height={40 + 30 * data.length} data={data} layout="vertical">
            <XAxis type="number" domain={[0, 1]} tick={TICK} tickFormatter={(value: number) => percentText(value)} />
            <YAxis type="category" dataKey="name" width={150} tick={{ fill: 'var(--ink)' }} interval={0} />
            <Tooltip {...TIP} formatter={(value, name) => [percentText(Number(value)), STAGE_WORDS[name as keyof typeof STAGE_WORDS]]} />
            <Bar dataKey="build" stackId="stage" fill="var(--line)" isAnimationActive={false} />
            <Bar dataKey="base" stackId="stage" fill="var(--line-strong)" isAnimationActive={false} />
            <Bar dataKey="tail" stackId="stage" fill="var(--solid)" isAnimationActive={false} />
          </BarChart>
          <figcaption data-testid="stages">
            Hands-on hours: {percentText(all.build)} {STAGE_WORDS.build} (pale), {percentText(all.base)} from {STAGE_WORDS.base} (grey),{' '}
            {percentText(all.tail)} {STAGE_WORDS.tail} (dark).
          </figcaption>
        </figure>
      )}
    </Panel>
  );
}
