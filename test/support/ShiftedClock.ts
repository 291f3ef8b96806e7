import { renameSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { temporaryFolder } from './temporaryFolder';

/** The clock of a process that looks at a file for how far it is ahead of the computer's (see `shiftClock.mjs`). */
export class ShiftedClock {
  readonly file: string;
  /** How far it is ahead of the computer's, milliseconds. */
  aheadMs = 0;

  constructor() {
    const { folder, remove } = temporaryFolder();
    this.file = path.join(folder, 'clock');
    process.once('exit', remove);
    this.set(0);
  }

  set(ms: number): void {
    this.aheadMs = ms;
    // Put in place in one piece: a program that reads a file half written would see its clock fall back to the true time.
    writeFileSync(`${this.file}.next`, String(ms));
    renameSync(`${this.file}.next`, this.file);
  }
}
