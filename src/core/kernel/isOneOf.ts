/**
 * Whether a value of a closed set is one of those named; a name that is not of the set does not compile.
 *
 * @example isOneOf('wash', 'wash', 'glaze') // true
 */
export const isOneOf = <T extends string>(value: T, ...of: readonly NoInfer<T>[]): boolean => of.includes(value);
