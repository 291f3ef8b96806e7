import { dayOfText } from '../../ui/format';
import type { PotJob } from '../../contract/shelf';

/** A job of the plan as a pot is told by it: Thu 3 Dec, wash on the coat of Keepers. */
export const jobText = ({ at, what, unit }: PotJob): string => `${at === null ? '' : `${dayOfText(at)}: `}${what}, ${unit}`;
