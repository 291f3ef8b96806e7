import { checkWishes } from '../../core/formats/lineProblem';
import { readOrder } from '../../core/line/problem/readOrder';
import type { OwnLine } from '../../core/line/hand/carryOver';
import type { LineProblem, LineWish } from '../../core/line/definitions';

/** An order with wishes that fits the line as it is now; what does not is refused with its reason. */
export function checkedLine(problem: LineProblem, line: { order: string[]; wishes: LineWish[] }): OwnLine {
  checkWishes({ ...problem, wishes: line.wishes });
  readOrder(problem, line.order);
  return line;
}
