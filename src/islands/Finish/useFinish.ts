import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { ulid } from 'ulid';
import type { BenchEvent, Look } from '../../core/bench/definitions';
import { foldClock } from '../../core/bench/replay/foldClock';
import { foldMarks, marksOn } from '../../core/bench/replay/foldMarks';
import { undoneOf } from '../../core/commission/undone';
import { cureOf } from '../../core/finish/curePlan';
import type { Finishing } from '../../core/finish/definitions';
import { inspectUnit } from '../../core/finish/inspection';
import { touchUpRound } from '../../core/finish/touchUpRound';
import { readCoatKey } from '../../core/kernel/ids';
import { passesOf } from '../../core/scheme/passes/passes';
import { unpackMarks } from '../../contract/bench';
import type { FinishPicture } from '../../contract/finish';
import { send } from '../client/api';
import { hearTime } from '../client/clock';
import { useBenchNews } from '../client/taps/useBenchNews';
import { useOutbox } from '../client/taps/useOutbox';
import { useSaved } from '../client/useSaved';

/** The end of a commission as it stands: what is tapped here shows at once, what is typed is saved by itself. */
export function useFinish(picture: FinishPicture, reload: () => void, now: number) {
  const { commission, units, house } = picture;
  const [own, setOwn] = useState<readonly BenchEvent[]>([]);
  const onTaken = useCallback((events: readonly BenchEvent[]) => {
    setOwn((all) => [...all, ...events.filter(({ id }) => !all.some((each) => each.id === id))]);
  }, []);
  const reloadSoon = useSoon(reload);
  const { unsent, problem, record } = useOutbox({ onTaken, onStored: reloadSoon, unitOf: () => undefined });
  useBenchNews(picture.seq, reloadSoon);
  const hasHeard = useRef(false);
  useEffect(() => {
    // Later the stream tells the time: a picture that was long on its way would set the clock back.
    if (!hasHeard.current) hearTime(picture.now);
    hasHeard.current = true;
  }, [picture]);

  const paints = useMemo(() => new Map(picture.paints.map((paint) => [paint.id, paint])), [picture]);
  const marks = useMemo(() => {
    const known = new Set(picture.known);
    const ids = new Set(units.map(({ id }) => id));
    const news = own.filter((event) => !known.has(event.id) && (event.unit === null || ids.has(event.unit)));
    const keys = units.flatMap((unit) => passesOf(unit, unit.standard, house).map(({ key }) => key));
    return marksOn(keys, foldMarks(news, { before: unpackMarks(picture.marks) }));
  }, [picture, units, house, own]);
  const clock = useMemo(() => {
    const known = new Set(picture.known);
    return foldClock(
      own.filter(({ id }) => !known.has(id)),
      { before: picture.clock },
    ).clock;
  }, [picture, own]);
  const inspections = useMemo(() => units.map((unit) => inspectUnit(unit, marks, { house, paints })), [units, marks, house, paints]);
  const cures = useMemo(() => units.map((unit) => cureOf(unit, marks, { house, paints })), [units, marks, house, paints]);
  const round = useMemo(() => {
    const minutes = new Map(picture.touchUpMinutes);
    return touchUpRound(units, marks, { house, paints }, (key) => minutes.get(key) ?? 0);
  }, [picture, units, marks, house, paints]);
  const lookedAt = Math.floor(now / LOOK_MS) * LOOK_MS;
  const undone = useMemo(
    () => undoneOf({ units, marks, house, changes: picture.unpriced, now: lookedAt }),
    [units, marks, house, picture, lookedAt],
  );

  const revision = useRef(picture.revision);
  const saved = useSaved<Finishing>({
    initial: picture.finishing,
    save: async (finishing) => {
      const answer = await send<{ revision: number }>('PUT', `/api/commissions/${commission.id}/finish`, {
        revision: revision.current,
        finishing,
      });
      revision.current = answer.revision;
    },
  });

  /** What was tapped here and still counts, the latest last. */
  const taken = useRef<{ id: string; unit: string | null }[]>([]);
  const [canUndo, setCanUndo] = useState(false);
  const tap = (event: Parameters<typeof record>[0]) => {
    const id = ulid();
    taken.current.push({ id, unit: event.unit ?? null });
    setCanUndo(true);
    record({ ...event, id });
  };
  return {
    picture,
    /** UTC ms. */
    now,
    units,
    paints,
    clock,
    record,
    inspections,
    cures,
    round,
    undone,
    saved,
    finishing: saved.value,
    change: (part: Partial<Finishing>) => saved.change({ ...saved.value, ...part }),
    unsent,
    problem,
    canUndo,
    inspect: (unit: string, look: Look, models: number[]) => models.length > 0 && tap({ kind: 'inspected', unit, models, note: look }),
    miss: (unit: string, passKey: string, models: number[], note: string) =>
      tap({ kind: 'missed', unit, ...readCoatKey(passKey), models, note }),
    /** They get the coat once more. */
    again: (unit: string, passKey: string, models: number[]) => tap({ kind: 'reopened', unit, ...readCoatKey(passKey), models }),
    undo: () => {
      const target = taken.current.pop();
      setCanUndo(taken.current.length > 0);
      if (target) record({ kind: 'undone', target: target.id, unit: target.unit });
    },
  };
}

/** What settles itself is looked at so often. */
const LOOK_MS = 15_000;
/** What the taps come to for dates and minutes follows when there is a moment between them. */
const SOON_MS = 1200;

function useSoon(act: () => void): () => void {
  const latest = useRef(act);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => {
    latest.current = act;
  });
  useEffect(() => () => clearTimeout(timer.current), []);
  return useCallback(() => {
    clearTimeout(timer.current);
    timer.current = setTimeout(() => latest.current(), SOON_MS);
  }, []);
}

export type Finish = ReturnType<typeof useFinish>;
