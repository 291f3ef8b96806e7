/** Where the job that stands at place `index` after a move stood before it. */
export function placeBeforeMove(index: number, from: number, end: number, to: number): number {
  if (index < Math.min(from, to) || index >= Math.max(end, to)) return index;
  if (to < from) return index < to + end - from ? index + from - to : index - end + from;
  return index < from + to - end ? index + end - from : index - to + end;
}

/** Moves the jobs at places `from` to `end` (not included) to before the job at place `to`, in place. */
export function moveRun(order: Int32Array, from: number, end: number, to: number): void {
  const run = order.slice(from, end);
  if (to < from) {
    order.copyWithin(to + end - from, to, from);
    order.set(run, to);
  } else {
    order.copyWithin(from, end, to);
    order.set(run, to - (end - from));
  }
}
