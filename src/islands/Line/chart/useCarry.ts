import { useEffect, useRef, useState } from 'react';
import type { CompiledLine } from '../../../core/line/problem/compiledLine';
import type { LinePlan } from '../../../core/line/definitions';
import type { PlaceCost } from '../../../core/line/hand/places';
import type { AskPlaces } from '../search/useDesk';

/** Jobs picked up from the line, and where they may be put down. */
export interface Carry {
  from: number;
  end: number;
  /** Null until they have been worked out. */
  places: PlaceCost[] | null;
  /** The place they are held over, or -1 for where they came from. */
  over: number;
}

/** The whole leg that a place of the plan belongs to. */
export function legAround(line: CompiledLine, order: Int32Array, place: number): { from: number; end: number } {
  const setup = line.jobSetup[order[place]!]!;
  let from = place;
  let end = place + 1;
  while (from > 0 && line.jobSetup[order[from - 1]!] === setup) from--;
  while (end < order.length && line.jobSetup[order[end]!] === setup) end++;
  return { from, end };
}

/** The minute at which jobs put down at a place would be begun, their changeover included. */
export const minuteOfPlace = (plan: LinePlan, to: number): number =>
  to < plan.jobs.length ? plan.jobs[to]!.begin - plan.jobs[to]!.prep - plan.jobs[to]!.wait : plan.finish;

/** One place to the left or right; past the ends it stays. */
export function stepped(held: Carry, by: 1 | -1): Carry {
  if (!held.places || held.places.length === 0) return held;
  const last = held.places.length - 1;
  const right = held.places.findIndex((place) => place.to > held.from);
  const firstRight = right < 0 ? held.places.length : right;
  // Between the last place on the left and the first one on the right is where the jobs come from.
  if (held.over < 0) return { ...held, over: by > 0 ? Math.min(firstRight, last) : Math.max(firstRight - 1, 0) };
  const crosses = by > 0 ? held.over === firstRight - 1 : held.over === firstRight;
  return { ...held, over: crosses ? -1 : Math.min(last, Math.max(0, held.over + by)) };
}

/** The place nearest to a minute of the line, its own included. */
export function heldOver(held: Carry, plan: LinePlan, minute: number): Carry {
  const own = (plan.jobs[held.from]!.begin + plan.jobs[held.end - 1]!.end) / 2;
  let over = -1;
  let nearest = Math.abs(own - minute);
  held.places?.forEach((place, index) => {
    const distance = Math.abs(minuteOfPlace(plan, place.to) - minute);
    if (distance >= nearest) return;
    nearest = distance;
    over = index;
  });
  return over === held.over ? held : { ...held, over };
}

/** What is in the hand, and what is done with it. */
export type Carrying = ReturnType<typeof useCarry>;

type Drop = (from: number, end: number, place: PlaceCost) => void;

/** Picking up, carrying and putting down, the same for mouse, touch and keyboard. Earlier pins do not bind the hand. */
export function useCarry(
  line: CompiledLine,
  order: Int32Array,
  plan: LinePlan,
  askPlaces: AskPlaces,
  onDrop: Drop,
  onFailed: (error: Error) => void,
) {
  const [held, setHeld] = useState<{ of: Int32Array; carry: Carry } | null>(null);
  // A better order that a search has found meanwhile puts back what is carried: its places were those of another line.
  const carry = held?.of === order ? held.carry : null;
  // As of the last event, which may be ahead of what is drawn.
  const hand = useRef<Carry | null>(null);
  const show = (next: Carry | null) => {
    hand.current = next;
    setHeld(next && { of: order, carry: next });
  };
  // What the hand does before the places are known is done as soon as they are, putting down included.
  const early = useRef<Early | null>(null);
  const latest = useRef({ order, onDrop });
  useEffect(() => {
    latest.current = { order, onDrop };
  });

  const move = (how: (held: Carry) => Carry) => {
    if (early.current) early.current.moves.push(how);
    else if (hand.current) show(how(hand.current));
  };

  const putDown = ({ from, end, places, over }: Carry) => {
    show(null);
    const place = places?.[over];
    if (place) latest.current.onDrop(from, end, place);
  };

  const pickUp = (place: number, wholeLeg: boolean) => {
    const { from, end } = wholeLeg ? legAround(line, order, place) : { from: place, end: place + 1 };
    const ahead: Early = { moves: [], drops: false };
    early.current = ahead;
    show({ from, end, places: null, over: -1 });
    askPlaces(order, from, end).then(
      (places) => {
        if (early.current !== ahead) return;
        early.current = null;
        if (latest.current.order !== order) return;
        const moved = ahead.moves.reduce<Carry>((each, how) => how(each), { from, end, places, over: -1 });
        if (ahead.drops) putDown(moved);
        else show(moved);
      },
      (error: Error) => {
        // Nobody can say where it may be put: it goes back to where it was.
        if (early.current !== ahead) return;
        putBack();
        onFailed(error);
      },
    );
  };

  const drop = () => {
    if (early.current) early.current.drops = true;
    else if (hand.current) putDown(hand.current);
  };

  const putBack = () => {
    early.current = null;
    show(null);
  };

  return {
    carry,
    pickUp,
    drop,
    step: (by: 1 | -1) => move((each) => stepped(each, by)),
    holdOver: (minute: number) => move((each) => heldOver(each, plan, minute)),
    putBack,
  };
}

interface Early {
  moves: ((held: Carry) => Carry)[];
  drops: boolean;
}
