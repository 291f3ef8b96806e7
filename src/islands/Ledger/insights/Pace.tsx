import { Bar, BarChart, CartesianGrid, LabelList, ReferenceLine, XAxis, YAxis } from 'recharts';
import type { LogInsights } from '../../../contract/insights';
import type { GroupPace } from '../../../core/time/check/insights';
import { Panel } from '../../../ui/Panel/Panel';
import { percentText } from '../../../ui/format';
import { ChartFigure } from '../../shared/chart/ChartFigure';
import { below, CHART_FIGURE, CHART_FRAME, CHART_NAME, CHART_TICK } from '../../shared/chart/frame';
import { roundTicks } from '../../shared/chart/ticks';

const PACES = [
  { key: 'bySize', what: 'size' },
  { key: 'byHour', what: 'hour' },
  { key: 'byPlace', what: 'time into the session' },
] as const;

/** Where the pace is another than foretold, beyond chance. */
export function Pace(insights: LogInsights) {
  return (
    <Panel title="When are you faster or slower?">
      {PACES.map(({ key, what }) => {
        const groups = insights[key];
        if (!groups.some((group) => group.isClear))
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

/**
 * The groups that are more than chance, in a sentence.
 *
 * @example groupsAnswer('hour', [{ name: '19 to 20', rows: 30, more: 0.12, isClear: true }]) // 'By hour: 19 to 20 takes 12% longer.'
 */
export function groupsAnswer(what: string, groups: readonly GroupPace[]): string {
  const clear = groups.filter((group) => group.isClear).toSorted((a, b) => b.more - a.more);
  const said = clear.map(({ name, more }) => `${name} takes ${percentText(Math.abs(more))} ${more > 0 ? 'longer' : 'less'}`);
  return `By ${what}: ${said.join(', ')}.`;
}

function PaceBars({ what, groups }: { what: string; groups: readonly GroupPace[] }) {
  const data = groups.map((group) => ({
    ...group,
    name: `${group.name} (${group.rows})`,
    [group.isClear ? 'clear' : 'chance']: group.more,
  }));
  const ticks = roundTicks(Math.min(0, ...groups.map(({ more }) => more)), Math.max(0, ...groups.map(({ more }) => more)), 4);
  const value = (each: unknown) => (each === undefined || each === null ? '' : percentText(Number(each)));
  return (
    <ChartFigure
      answer={groupsAnswer(what, groups)}
      legend={[
        { look: 'solid', label: 'more than chance' },
        { look: 'pale', label: 'may be chance' },
      ]}
      note="In brackets: rows of the log."
    >
      <BarChart
        {...CHART_FRAME}
        height={52 + 26 * groups.length}
        data={data}
        layout="vertical"
        margin={{ left: 0, right: 44, top: 8, bottom: 0 }}
      >
        <CartesianGrid horizontal={false} stroke="var(--line)" />
        <XAxis
          type="number"
          height={48}
          tick={CHART_TICK}
          domain={[ticks[0]!, ticks.at(-1)!]}
          ticks={ticks}
          tickFormatter={(each: number) => percentText(each)}
          label={below('longer than estimated')}
        />
        <YAxis type="category" dataKey="name" width={150} tick={CHART_NAME} interval={0} />
        <Bar dataKey="clear" stackId="more" fill="var(--solid)" isAnimationActive={false}>
          <LabelList dataKey="clear" position="right" {...CHART_FIGURE} formatter={value} />
        </Bar>
        <Bar dataKey="chance" stackId="more" fill="var(--line)" isAnimationActive={false}>
          <LabelList dataKey="chance" position="right" {...CHART_FIGURE} formatter={value} />
        </Bar>
        <ReferenceLine x={0} stroke="var(--ink)" />
      </BarChart>
    </ChartFigure>
  );
}
