/** A whole copy of the database in the data folder. */
export interface DatabaseCopy {
  name: string;
  /** When it was made, UTC ISO. */
  madeAt: string;
  bytes: number;
}

export interface BackupsPicture {
  /** Daily copies of so many days are kept. */
  daysKept: number;
  /** The newest first. */
  copies: DatabaseCopy[];
}
