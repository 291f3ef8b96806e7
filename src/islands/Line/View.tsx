import { useCallback, useMemo, useState } from 'react';
import type { PlaceCost } from '../../core/line/hand/places';
import type { LinePicture } from '../../contract/line';
import { selectionKey } from '../../core/plan/selection';
import { Button, LinkButton } from '../../ui/Button/Button';
import { Notice } from '../../ui/Notice/Notice';
import { SessionsAsked } from '../shared/SessionsAsked';
import { Broken } from '../shared/Broken';
import { Opened } from '../shared/Opened';
import { saveJson } from '../client/saveFile';
import { useSeen } from '../client/useSeen';
import { useRemembered } from '../shared/useRemembered';
import { Dates } from './dates/Dates';
import { HandBar } from './chart/HandBar';
import { LineChart } from './chart/LineChart';
import { Lower, type Side } from './legs/Lower';
import { StrategyTable } from './search/StrategyTable';
import { useCarry } from './chart/useCarry';
import { useDesk, useFixedStrategies, useReason, type AskPlaces } from './search/useDesk';
import { LineTop } from './LineTop';
import { OnTheLine } from './OnTheLine';
import { useDates } from './dates/useDates';
import { useLine } from './search/useLine';
import { useLineDesk, type LineDesk } from './search/useLineDesk';
import { useLineActs } from './useLineActs';
import { LineWishes } from './wishes/LineWishes';
import styles from './View.module.css';

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
  const { plan, order, times } = line;
  const acts = useLineActs(picture, plan, line.wishes, times.sessions !== null);
  const [selected, setSelected] = useState(0);
  const place = Math.min(selected, plan.order.length - 1);
  const atDesk = useDesk(line.withoutWishes);
  const dates = useDates(picture, atDesk, times.sessions ? order : null);
  const { seenRef: othersRef, isSeen } = useSeen();
  const [side, setSide] = useState<Side>('legs');
  const fixed = useFixedStrategies(atDesk, picture, isSeen || side === 'shared');
  const strategies = useMemo(() => [...(fixed.value ?? [line.entered]), ...line.strategies], [fixed.value, line.entered, line.strategies]);
  const askPlaces = useCallback<AskPlaces>((...of) => atDesk.call((remote) => remote.places(...of)), [atDesk]);
  const drop = (from: number, end: number, { to, ...change }: PlaceCost) => {
    line.move(from, end, to, change);
    setSelected(to > from ? to - (end - from) : to);
  };
  const carrying = useCarry(line.free, order, plan, askPlaces, drop, (failure) => acts.setError(failure.message));
  const reason = useReason(atDesk, order, place);
  const derived = [dates, fixed, reason];
  const broken = line.failed ?? derived.find((each) => each.error !== null)?.error ?? null;
  const tryAgain = () => {
    line.searchAgain();
    for (const each of derived) if (each.error !== null) each.again();
  };
  const chooseSitting = (inOne: boolean) => {
    carrying.putBack();
    setInOne(inOne);
  };
  return (
    <div className={styles.view}>
      <LineTop desk={desk} line={line} acts={acts} />
      {picture.sessions && !isInOne && !times.sessions && <DoesNotHold />}
      <SessionsAsked sessions={picture.askedSessions} />
      {acts.error && (
        <Notice kind="flag" role="alert">
          {acts.error}
        </Notice>
      )}
      {broken && <Broken error={broken} again={tryAgain} />}
      {times.sessions && (
        <Dates picture={picture} plan={plan} times={times} drawn={dates.value} order={order} desk={atDesk} onTake={line.takeOrder} />
      )}
      <LineChart
        picture={picture}
        line={line}
        acts={acts}
        carrying={carrying}
        reason={reason.value}
        place={place}
        onSelect={setSelected}
        isInOne={isInOne}
        onSitting={chooseSitting}
      />
      <HandBar line={line} picture={picture} />
      <div className={styles.below}>
        <StrategyTable strategies={strategies} times={times} othersRef={othersRef} />
        <LineWishes picture={picture} line={line} place={place} onError={acts.setError} />
        <Lower picture={picture} line={line} strategies={strategies} selected={place} onSelect={setSelected} side={side} onSide={setSide} />
      </div>
      <p className={styles.files}>
        <Button kind="quiet" onClick={acts.printSheet}>
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

const DoesNotHold = () => (
  <Notice kind="flag">
    Your sessions do not hold this line, as when one step of one model takes longer than each of them. It is planned in one session; make a
    session longer in House rules, or divide the step.
  </Notice>
);
