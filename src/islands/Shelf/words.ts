import { dayOfText, plain } from '../../ui/format';
import type { PotJob } from '../../contract/shelf';

/** An amount of paint: 0.4 ml, 12 ml. */
export const mlText = (ml: number): string => `${plain(ml, ml < 10 ? 1 : 0)} ml`;

/** A job of the plan as a pot is told by it: Thu 3 Dec, wash on the coat of Keepers. */
export const jobText = ({ at, what, unit }: PotJob): string => `${at === null ? '' : `${dayOfText(at)}: `}${what}, ${unit}`;
