/** Something the address names is not there. */
export class NotFoundError extends Error {
  override readonly name = 'NotFoundError';
}

/** What was sent was made from an older state than the one stored; nothing was changed. */
export class ConflictError extends Error {
  override readonly name = 'ConflictError';
}
