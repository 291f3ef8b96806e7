import { Bar, BarChart, CartesianGrid, ReferenceLine, Tooltip, XAxis, YAxis } from 'recharts';
import type { TechniquePace } from '../../contract/log';
import { plain } from '../../ui/format';
import styles from './View.module.css';

const ROW_HEIGHT = 30;
const AXIS_HEIGHT = 50;
const TICK = 0.5;

/** Actual over norm minutes of each technique; the line at 1 is our default. */
export function PaceChart({ techniques }: { techniques: TechniquePace[] }) {
  const data = techniques.map((entry) => ({ ...entry, name: `${entry.label} (${entry.models})` }));
  const widest = Math.max(1, ...techniques.map((entry) => entry.ratio));
  const ticks = Array.from({ length: Math.ceil(widest / TICK) + 1 }, (_, index) => index * TICK);
  return (
    <figure className={styles.chart}>
      <BarChart
        responsive
        width="100%"
        height={techniques.length * ROW_HEIGHT + AXIS_HEIGHT}
        data={data}
        layout="vertical"
        margin={{ left: 8, right: 16 }}
        accessibilityLayer={false}
      >
        <CartesianGrid horizontal={false} stroke="var(--line)" />
        <XAxis
          type="number"
          domain={[0, ticks.at(-1)!]}
          ticks={ticks}
          tick={{ fill: 'var(--ink-soft)' }}
          tickFormatter={(value: number) => `×${plain(value, 1)}`}
        />
        <YAxis type="category" dataKey="name" width={150} tick={{ fill: 'var(--ink)' }} interval={0} />
        <Tooltip
          formatter={(value) => [`${plain(Number(value), 2)} times the norm`, 'you take']}
          contentStyle={{ background: 'var(--surface)', borderColor: 'var(--line-strong)' }}
          cursor={{ fill: 'var(--sunken)' }}
        />
        <Bar dataKey="ratio" fill="var(--line-strong)" isAnimationActive={false} />
        <ReferenceLine x={1} stroke="var(--ink)" strokeWidth={2} />
      </BarChart>
      <figcaption>Left of the line you are faster than the norm, right of it slower. In brackets: model-steps logged.</figcaption>
    </figure>
  );
}
