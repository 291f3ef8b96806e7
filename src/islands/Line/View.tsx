import { useCallback, useEffect, useEffectEvent, useMemo, useState } from 'react';
import type { PlaceCost } from '../../core/line/hand/places';
import type { LinePicture } from '../../contract/line';
import { selectionKey } from '../../core/plan/selection';
import { Button, LinkButton } from '../../ui/Button/Button';
import { Notice } from '../../ui/Notice/Notice';
import { Panel } from '../../ui/Panel/Panel';
import { counted } from '../../ui/format';
import { send, sendForFile } from '../client/api';
import { SessionsAsked } from '../shared/SessionsAsked';
import { Broken } from '../shared/Broken';
import { Opened } from '../shared/Opened';
import { saveFile, saveJson } from '../client/saveFile';
import { useRemembered } from '../shared/useRemembered';
import { CarryDetails } from './chart/CarryDetails';
import { chartBlocks, chartDates, type ChartDate, type RowsBy } from './chart/chartBlocks';
import { Dates } from './dates/Dates';
import { Evenings } from './dates/Evenings';
import { HandBar } from './chart/HandBar';
import { JobDetails } from './chart/JobDetails';
import { LegList } from './legs/LegList';
import { RelayChart } from './chart/RelayChart';
import { SharedLegs } from './legs/SharedLegs';
import { StrategyTable } from './search/StrategyTable';
import { legAround, useCarry } from './chart/useCarry';
import { useDesk, useFixedStrategies, useReason, type AskPlaces } from './search/useDesk';
import { Gates } from './Gates';
import { OnTheLine } from './OnTheLine';
import { useDates } from './dates/useDates';
import { useLine } from './search/useLine';
import { useLineDesk, type LineDesk } from './search/useLineDesk';
import { Wishes } from './wishes/Wishes';
import { Working } from '../../ui/Working/Working';
import styles from './View.module.css';

/** What the last panel shows. */
const LOWERS = ['legs', 'shared', 'evenings'] as const;
type Lower = (typeof LOWERS)[number];
const LOWER_NAMES = { legs: 'Legs', shared: 'Shared', evenings: 'Sessions' } as const satisfies Record<Lower, string>;
const LOWER_TITLES = { shared: 'What shared legs save', evenings: 'Ready for the table' } as const;

const NO_DATES: ChartDate[] = [];

const REFUSED_WISH = 'This wish cannot be kept together with the rules and the other wishes: remove one of those first.';

export function LineView() {
  return (
    <Opened<LinePicture> url="/api/line" what="the line">
      {(picture) => <LoadedLine picture={picture} />}
    </Opened>
  );
}

function LoadedLine({ picture: opened }: { picture: LinePicture }) {
  const desk = useLineDesk(opened);
  const { picture } = desk;
  if (picture.jobs.length === 0) return <NothingToPlan desk={desk} />;
  return <PlannedLine key={selectionKey(picture.selection)} desk={desk} />;
}

function NothingToPlan({ desk }: { desk: LineDesk }) {
  const { picture } = desk;
  const waiting = [...picture.waitingUnits, ...picture.heldUnits];
  const waits = waiting.length > 0;
  const [first] = picture.selection;
  return (
    <>
      {picture.choices.length > 0 && <OnTheLine desk={desk} />}
      <Notice>
        <p>
          {waits
            ? `Only test models may be painted, and they are done: ${waiting.join(', ')} wait for approval.`
            : picture.choices.length === 0
              ? 'No commission is open. Enter one first: its units, then how they are painted.'
              : 'Nothing is left to paint here, or no unit has a scheme yet.'}
        </p>
        <LinkButton kind="main" href={first ? `/c/${first.commissionId}/${waits ? 'intake' : 'scheme'}` : '/new'}>
          {waits ? 'Mark as approved' : first ? 'Give the units a scheme' : 'Enter a commission'}
        </LinkButton>
      </Notice>
    </>
  );
}

function PlannedLine({ desk }: { desk: LineDesk }) {
  const { picture } = desk;
  const [isInOne, setInOne] = useRemembered<boolean>('line in one session', false);
  const line = useLine(desk, isInOne ? null : picture.sessions);
  const { plan, order, free, times } = line;
  const [selected, setSelected] = useState(0);
  const [rowsBy, setRowsBy] = useState<RowsBy>('tray');
  const [wholeLeg, setWholeLeg] = useState(false);
  const [lower, setLower] = useState<Lower>('legs');
  const [error, setError] = useState<string | null>(null);
  const place = Math.min(selected, plan.order.length - 1);
  const drop = (from: number, end: number, { to, ...change }: PlaceCost) => {
    line.move(from, end, to, change);
    setSelected(to > from ? to - (end - from) : to);
  };
  const atDesk = useDesk(line.withoutWishes);
  const dates = useDates(picture, atDesk, times.sessions ? order : null);
  const fixed = useFixedStrategies(atDesk, picture);
  const strategies = useMemo(() => [...(fixed.value ?? []), ...line.strategies], [fixed.value, line.strategies]);
  const askPlaces = useCallback<AskPlaces>((...of) => atDesk.call((remote) => remote.places(...of)), [atDesk]);
  const carrying = useCarry(free, order, plan, askPlaces, drop, (failure) => setError(failure.message));
  const reason = useReason(atDesk, order, place);
  const derived = [dates, fixed, reason];
  const broken = line.failed ?? derived.find((each) => each.error !== null)?.error ?? null;
  const tryAgain = () => {
    line.searchAgain();
    for (const each of derived) if (each.error !== null) each.again();
  };
  const { blocks, rows } = useMemo(() => chartBlocks(picture, plan, rowsBy), [picture, plan, rowsBy]);
  const pinned = useMemo(() => new Set(line.wishes.flatMap((wish) => (wish.kind === 'pin' ? wish.jobs : []))), [line.wishes]);
  const toBench = async (act: Promise<unknown>) => {
    try {
      await act;
      window.location.assign('/bench');
    } catch (problem) {
      setError((problem as Error).message);
    }
  };
  const takeUp = () =>
    toBench(send('PUT', '/api/bench', { selection: picture.selection, line: { order: plan.order, wishes: line.wishes } }));
  const printSheet = async () => {
    try {
      const sheet = await sendForFile('/api/line/leg-sheet', {
        selection: picture.selection,
        order: plan.order,
        inSessions: times.sessions !== null,
      });
      saveFile(sheet, 'leg-sheet.pdf');
    } catch (problem) {
      setError((problem as Error).message);
    }
  };
  const keys: Record<string, () => void> = {
    b: () => void takeUp(),
    p: () => void printSheet(),
    l: () => setWholeLeg(!wholeLeg),
    r: () => setRowsBy(rowsBy === 'tray' ? 'setup' : 'tray'),
    i: line.improve,
  };
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    const elsewhere = event.target instanceof HTMLElement && event.target.matches('input, select, textarea');
    if (!elsewhere && !event.ctrlKey && !event.metaKey && !event.altKey) keys[event.key.toLowerCase()]?.();
  });
  useEffect(() => {
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  const toggleSitting = () => {
    carrying.putBack();
    setInOne(!isInOne);
  };
  const leg = legAround(free, order, place);
  const { amount, until } = times.totalText(plan);
  return (
    <div className={styles.view}>
      <div className={styles.top}>
        <OnTheLine desk={desk} />
        <p className={styles.total} role="status" data-searching={line.isSearching || line.isProving}>
          <strong>{amount}</strong> {until}, {times.gapText(plan)}
          {line.isSearching && <Working label="Looking for a better order">, still looking …</Working>}
          {line.isProving && <Working label="Working out how near it is to the best">, still being worked out …</Working>}
        </p>
        <Gates picture={picture} />
        {picture.canPutBack && (
          <Button kind="quiet" onClick={() => void toBench(send('POST', '/api/bench/put-back', {}))}>
            Bring back the line before
          </Button>
        )}
        <Button kind="main" className={styles.takeUp} onClick={() => void takeUp()}>
          {picture.isOnBench || picture.isBenchTaken ? 'Replace the line on the bench' : 'Put this line on the bench'}
        </Button>
      </div>
      {picture.sessions && !isInOne && !times.sessions && (
        <Notice kind="flag">
          Your sessions do not hold this line, as when one step of one model takes longer than each of them. It is planned in one session;
          make a session longer in House rules, or divide the step.
        </Notice>
      )}
      <SessionsAsked sessions={picture.askedSessions} />
      {error && (
        <Notice kind="flag" role="alert">
          {error}
        </Notice>
      )}
      {broken && <Broken error={broken} again={tryAgain} />}
      {times.sessions && (
        <Dates picture={picture} plan={plan} times={times} drawn={dates.value} order={order} desk={atDesk} onTake={line.takeOrder} />
      )}
      <RelayChart
        plan={plan}
        times={times}
        blocks={blocks}
        rows={rows}
        dates={times.sessions ? chartDates(picture, plan) : NO_DATES}
        pinned={pinned}
        selected={place}
        onSelect={setSelected}
        carrying={carrying}
        wholeLeg={wholeLeg}
        details={
          carrying.carry ? (
            <CarryDetails picture={picture} plan={plan} carry={carrying.carry} times={times} />
          ) : (
            <JobDetails
              block={blocks[place]!}
              picture={picture}
              reason={reason.value}
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
              <Button kind="quiet" aria-pressed={!isInOne} onClick={toggleSitting}>
                {isInOne ? 'In my sessions' : 'In one session'}
              </Button>
            )}
            <Button kind="quiet" aria-pressed={rowsBy === 'setup'} onClick={() => setRowsBy(rowsBy === 'tray' ? 'setup' : 'tray')}>
              Rows by {rowsBy === 'tray' ? 'set-up' : 'tray'}
            </Button>
            <Button kind="quiet" aria-pressed={wholeLeg} onClick={() => setWholeLeg(!wholeLeg)}>
              Carry whole legs
            </Button>
          </>
        }
      />
      <HandBar line={line} picture={picture} />
      <div className={styles.below}>
        <StrategyTable strategies={strategies} times={times} />
        <Wishes
          picture={picture}
          problem={line.problem}
          order={order}
          times={times}
          doneAt={plan.finish}
          job={blocks[place]!.job}
          leg={plan.order.slice(leg.from, leg.end)}
          beforeLeg={leg.from === 0 ? null : plan.order[leg.from - 1]!}
          onChange={(wishes) => setError(line.setWishes(wishes) ? null : REFUSED_WISH)}
        />
        <Panel
          title={lower === 'legs' ? counted(plan.legs.length, 'leg') : LOWER_TITLES[lower]}
          className={styles.lower}
          scrolls
          aside={
            <span className={styles.tabs}>
              {LOWERS.filter((each) => each !== lower && (each !== 'evenings' || times.sessions)).map((each) => (
                <Button key={each} kind="quiet" onClick={() => setLower(each)}>
                  {LOWER_NAMES[each]}
                </Button>
              ))}
            </span>
          }
        >
          {lower === 'shared' && <SharedLegs shared={line.shared} strategies={strategies} />}
          {lower === 'legs' && <LegList picture={picture} plan={plan} selected={place} onSelect={setSelected} />}
          {lower === 'evenings' && times.sessions && <Evenings picture={picture} plan={plan} times={times} />}
        </Panel>
      </div>
      <p className={styles.files}>
        <Button kind="quiet" onClick={() => void printSheet()}>
          Leg sheet to print
        </Button>
        <Button kind="quiet" onClick={() => saveJson(line.problem, 'line-problem.json')}>
          Export the problem
        </Button>
        <Button kind="quiet" onClick={() => saveJson(plan, 'line-plan.json')}>
          Export the plan
        </Button>
      </p>
    </div>
  );
}
