import { useMemo, useState } from 'react';
import type { PlaceReason } from '../../../core/line/hand/explainPlace';
import type { LinePicture } from '../../../contract/line';
import { Button } from '../../../ui/Button/Button';
import { useViewKeys } from '../../client/viewKeys';
import type { Line } from '../search/useLine';
import type { LineActs } from '../useLineActs';
import { CarryDetails } from './CarryDetails';
import { chartBlocks, chartDates, type ChartDate, type RowsBy } from './chartBlocks';
import { JobDetails } from './JobDetails';
import { RelayChart } from './RelayChart';
import type { Carrying } from './useCarry';

const NO_DATES: ChartDate[] = [];

interface LineChartProps {
  picture: LinePicture;
  line: Line;
  acts: LineActs;
  carrying: Carrying;
  reason: PlaceReason | null;
  place: number;
  onSelect: (place: number) => void;
  isInOne: boolean;
  onSitting: (inOne: boolean) => void;
}

/** The relay chart with its switches, and the keys of the view. */
export function LineChart({ picture, line, acts, carrying, reason, place, onSelect, isInOne, onSitting }: LineChartProps) {
  const { plan, times, wishes } = line;
  const [rowsBy, setRowsBy] = useState<RowsBy>('tray');
  const [wholeLeg, setWholeLeg] = useState(false);
  const { blocks, rows } = useMemo(() => chartBlocks(picture, plan, rowsBy), [picture, plan, rowsBy]);
  const pinned = useMemo(() => new Set(wishes.flatMap((wish) => (wish.kind === 'pin' ? wish.jobs : []))), [wishes]);
  const turnRows = () => setRowsBy(rowsBy === 'tray' ? 'setup' : 'tray');
  const turnLegs = () => setWholeLeg(!wholeLeg);
  useViewKeys({ b: acts.takeUp, p: acts.printSheet, l: turnLegs, r: turnRows, i: line.improve });
  return (
    <RelayChart
      plan={plan}
      times={times}
      blocks={blocks}
      rows={rows}
      dates={times.sessions ? chartDates(picture, plan) : NO_DATES}
      pinned={pinned}
      selected={place}
      onSelect={onSelect}
      carrying={carrying}
      wholeLeg={wholeLeg}
      details={
        carrying.carry ? (
          <CarryDetails picture={picture} plan={plan} carry={carrying.carry} times={times} />
        ) : (
          <JobDetails
            block={blocks[place]!}
            picture={picture}
            reason={reason}
            times={times}
            doneAt={plan.finish}
            place={place}
            count={blocks.length}
          />
        )
      }
      controls={
        <>
          {picture.sessions && (
            <Button kind="quiet" aria-pressed={!isInOne} onClick={() => onSitting(!isInOne)}>
              {isInOne ? 'In my sessions' : 'In one session'}
            </Button>
          )}
          <Button kind="quiet" aria-pressed={rowsBy === 'setup'} onClick={turnRows}>
            Rows by {rowsBy === 'tray' ? 'set-up' : 'tray'}
          </Button>
          <Button kind="quiet" aria-pressed={wholeLeg} onClick={turnLegs}>
            Carry whole legs
          </Button>
        </>
      }
    />
  );
}
