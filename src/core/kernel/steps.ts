/** A long computation that can be left between its steps and gone on with. */
export type Steps<T> = Generator<undefined, T>;

/** Goes through all the steps at once. */
export function allAtOnce<T>(steps: Steps<T>): T {
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
}
