import { Bar, BarChart, LabelList, XAxis, YAxis } from 'recharts';
import type { LogInsights } from '../../../contract/insights';
import { Panel } from '../../../ui/Panel/Panel';
import { percentText } from '../../../ui/format';
import { ChartFigure } from '../../shared/chart/ChartFigure';
import { below, CHART_FRAME, CHART_NAME, CHART_TICK } from '../../shared/chart/frame';
import { STAGE_WORDS } from '../../shared/stageWords';

const QUARTERS = [0, 0.25, 0.5, 0.75, 1];
/** A part of the bar that is smaller has no room for its figure. */
const ROOM = 0.08;
const share = (value: unknown) => (Number(value) < ROOM ? '' : percentText(Number(value)));

/** The share of each stage in the hands-on hours, by commission. */
export function Hours({ stages }: LogInsights) {
  const data = stages.map(({ commission, minutes }) => {
    const total = minutes.build + minutes.base + minutes.tail;
    const of = (part: number) => (total === 0 ? 0 : part / total);
    return { name: commission ?? 'All together', build: of(minutes.build), base: of(minutes.base), tail: of(minutes.tail), total };
  });
  const [all] = data;
  return (
    <Panel title="Where do the hours go?">
      {!all || all.total === 0 ? (
        <p>The chart appears with the first rows.</p>
      ) : (
        <ChartFigure
          testId="stages"
          answer={
            <>
              Of your hands-on hours {percentText(all.build)} go to {STAGE_WORDS.build}, {percentText(all.base)} from {STAGE_WORDS.base},{' '}
              {percentText(all.tail)} to {STAGE_WORDS.tail}.
            </>
          }
          legend={[
            { look: 'pale', label: STAGE_WORDS.build },
            { look: 'grey', label: STAGE_WORDS.base },
            { look: 'solid', label: STAGE_WORDS.tail },
          ]}
        >
          <BarChart {...CHART_FRAME} height={56 + 30 * data.length} data={data} layout="vertical">
            <XAxis
              type="number"
              height={48}
              domain={[0, 1]}
              ticks={QUARTERS}
              tick={CHART_TICK}
              tickFormatter={(value: number) => percentText(value)}
              label={below('of the hands-on hours')}
            />
            <YAxis type="category" dataKey="name" width={150} tick={CHART_NAME} interval={0} />
            <Bar dataKey="build" stackId="stage" fill="var(--line)" isAnimationActive={false}>
              <LabelList dataKey="build" fill="var(--ink)" formatter={share} />
            </Bar>
            <Bar dataKey="base" stackId="stage" fill="var(--line-strong)" isAnimationActive={false}>
              <LabelList dataKey="base" fill="var(--surface)" formatter={share} />
            </Bar>
            <Bar dataKey="tail" stackId="stage" fill="var(--solid)" isAnimationActive={false}>
              <LabelList dataKey="tail" fill="var(--on-solid)" formatter={share} />
            </Bar>
          </BarChart>
        </ChartFigure>
      )}
    </Panel>
  );
}
