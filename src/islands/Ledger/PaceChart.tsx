import { Bar, BarChart, CartesianGrid, LabelList, ReferenceLine, XAxis, YAxis } from 'recharts';
import type { TechniquePace } from '../../contract/log';
import { counted, plain } from '../../ui/format';
import { ChartFigure } from '../shared/chart/ChartFigure';
import { below, CHART_FIGURE, CHART_FRAME, CHART_NAME, CHART_TICK } from '../shared/chart/frame';
import { roundTicks } from '../shared/chart/ticks';

const ROW_HEIGHT = 30;
const AXIS_HEIGHT = 60;
/** Less than this is as long. */
const ALIKE = 0.05;

/** Actual over norm minutes of each technique; the line at 1 is our default. */
export function PaceChart({ techniques }: { techniques: TechniquePace[] }) {
  const data = techniques.map((entry) => ({ ...entry, name: `${entry.label} (${entry.models})` }));
  const ticks = roundTicks(0, Math.max(1, ...techniques.map((entry) => entry.ratio)), 4);
  return (
    <ChartFigure answer={paceAnswer(techniques)} note="In brackets: model-steps logged.">
      <BarChart
        {...CHART_FRAME}
        height={techniques.length * ROW_HEIGHT + AXIS_HEIGHT}
        data={data}
        layout="vertical"
        margin={{ left: 8, right: 44, top: 8, bottom: 0 }}
      >
        <CartesianGrid horizontal={false} stroke="var(--line)" />
        <XAxis
          type="number"
          domain={[0, ticks.at(-1)!]}
          ticks={ticks}
          height={48}
          tick={CHART_TICK}
          tickFormatter={(value: number) => `×${plain(value, 1)}`}
          label={below('your minutes ÷ our default')}
        />
        <YAxis type="category" dataKey="name" width={150} tick={CHART_NAME} interval={0} />
        <Bar dataKey="ratio" fill="var(--line-strong)" isAnimationActive={false}>
          <LabelList dataKey="ratio" position="right" {...CHART_FIGURE} formatter={(value) => `×${plain(Number(value), 2)}`} />
        </Bar>
        <ReferenceLine x={1} stroke="var(--ink)" strokeWidth={2} />
      </BarChart>
    </ChartFigure>
  );
}

/**
 * Who is farthest from our default, either way.
 *
 * @example paceAnswer([{ technique: 'wash', label: 'Wash', models: 9, ratio: 1.5 }]) // 'Longest against our default: wash (×1.5).'
 */
export function paceAnswer(techniques: readonly TechniquePace[]): string {
  const sorted = techniques.toSorted((a, b) => a.ratio - b.ratio);
  const named = ({ label, ratio }: TechniquePace) => `${label.toLowerCase()} (×${plain(ratio, 2)})`;
  const [fastest, slowest] = [sorted[0], sorted.at(-1)];
  const said = [
    ...(slowest && slowest.ratio > 1 + ALIKE ? [`Longest against our default: ${named(slowest)}.`] : []),
    ...(fastest && fastest.ratio < 1 - ALIKE ? [`Shortest: ${named(fastest)}.`] : []),
  ];
  return said.join(' ') || `Much as long as our default, in ${counted(techniques.length, 'technique')}.`;
}
