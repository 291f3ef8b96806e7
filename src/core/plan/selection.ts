/** Which units a line is laid over: those named of each commission, or all its units that are open. */
export type Selection = { commissionId: string; unitIds: string[] | null }[];

export const wholeCommission = (commissionId: string): Selection => [{ commissionId, unitIds: null }];

/**
 * The same text for the same units, however they were chosen.
 *
 * @example selectionKey([{ commissionId: 'a', unitIds: ['2', '1'] }]) === selectionKey([{ commissionId: 'a', unitIds: ['1', '2'] }]) // true
 */
export const selectionKey = (selection: Selection): string =>
  JSON.stringify(
    selection
      .map(({ commissionId, unitIds }) => [commissionId, unitIds && unitIds.toSorted()] as const)
      .toSorted(([a], [b]) => (a < b ? -1 : 1)),
  );
