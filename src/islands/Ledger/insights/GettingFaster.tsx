import { useState } from 'react';
import { CartesianGrid, ComposedChart, LabelList, Line, Scatter, Tooltip, XAxis, YAxis } from 'recharts';
import type { LogInsights } from '../../../contract/insights';
import { SelectField } from '../../../ui/Field/Field';
import { Panel } from '../../../ui/Panel/Panel';
import { minutesText, percentText, plain } from '../../../ui/format';
import { ChartFigure } from '../../shared/chart/ChartFigure';
import { below, beside, CHART_FIGURE, CHART_FRAME, CHART_TICK, CHART_TIP } from '../../shared/chart/frame';
import { minuteTicks, roundTicks } from '../../shared/chart/ticks';

const HEIGHT = 240;

/** Minutes of a model of one step over the models painted before. */
export function GettingFaster({ learning, saved }: LogInsights) {
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
          <ChartFigure
            testId="saved"
            answer={
              <>
                {step.saved > 0 ? 'Yes' : 'Not on this step'}: on it each doubling saves {percentText(step.saved)}; over all steps{' '}
                {percentText(saved)}.
              </>
            }
            legend={[
              { look: 'grey', label: 'a coat, as logged' },
              { look: 'line', label: 'the curve through them' },
            ]}
          >
            <Curve points={step.points} />
          </ChartFigure>
        </>
      ) : (
        <p>A curve appears when a step has two rows in the log. Until then each doubling is taken to save {percentText(saved)}.</p>
      )}
    </Panel>
  );
}

function Curve({ points }: { points: LogInsights['learning'][number]['points'] }) {
  const across = roundTicks(0, Math.max(1, ...points.map(({ models }) => models)));
  const up = minuteTicks(Math.max(...points.map(({ minutes, curve }) => Math.max(minutes, curve))));
  // The first and the last are read where they stand.
  const data = points.map((point, index) => ({
    ...point,
    name: index === 0 || index === points.length - 1 ? minutesText(point.curve) : '',
  }));
  return (
    <ComposedChart {...CHART_FRAME} height={HEIGHT} data={data} margin={{ left: 0, right: 44, top: 18, bottom: 0 }}>
      <CartesianGrid vertical={false} stroke="var(--line)" />
      <XAxis
        dataKey="models"
        type="number"
        height={48}
        tick={CHART_TICK}
        domain={[0, across.at(-1)!]}
        ticks={across}
        tickFormatter={(value: number) => plain(value)}
        label={below('models painted before')}
      />
      <YAxis
        width={84}
        tick={CHART_TICK}
        domain={[0, up.at(-1)!]}
        ticks={up}
        tickFormatter={(value: number) => minutesText(value)}
        label={beside('a model')}
      />
      <Tooltip
        {...CHART_TIP}
        formatter={(value, name) => [`${minutesText(Number(value))} a model`, name === 'curve' ? 'on the curve' : 'took']}
        labelFormatter={(value) => `around model ${plain(Number(value))}`}
      />
      <Line dataKey="curve" stroke="var(--ink)" strokeWidth={2} dot={false} isAnimationActive={false}>
        <LabelList dataKey="name" position="top" {...CHART_FIGURE} />
      </Line>
      <Scatter dataKey="minutes" fill="var(--line-strong)" isAnimationActive={false} />
    </ComposedChart>
  );
}
