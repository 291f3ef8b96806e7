import type { CompiledLine } from './compileLine';
import { SESSION_ROUNDING } from './definitions';

/** What placing one job next would bring, or has brought. All in minutes. */
export interface JobTiming {
  /** The moment the painter turned to the job: before its first prep, in the session where its first model is done. */
  from: number;
  begin: number;
  end: number;
  prep: number;
  wait: number;
}

/**
 * The painter's clock: places jobs one after another by the timing rules of the line problem and keeps what the
 * next job needs to know. `place` moves the clock on; `peek` only says what would happen.
 * When a job does not fit in the sessions left, `missing` says by how many minutes at the least.
 */
export class LineClock {
  time = 0;
  handsOn = 0;
  changeover = 0;
  wait = 0;
  /** Hands-on and waiting minutes that did not fit after the last session; 0 while everything fits. */
  missing = 0;
  readonly timing: JobTiming = { from: 0, begin: 0, end: 0, prep: 0, wait: 0 };

  private session = 0;
  private held = -1;
  private readonly cellEnd: Float64Array;
  private readonly trayEnd: Float64Array;
  private readonly handleReady: Float64Array;
  private readonly copyStart: Int32Array;
  private readonly copySetup: Int32Array;
  private readonly copyEnd: Float64Array;
  private copy = -1;
  private copyFree = 0;

  constructor(readonly line: CompiledLine) {
    this.cellEnd = new Float64Array(line.cellMinutes.length);
    this.trayEnd = new Float64Array(line.jobCount);
    this.handleReady = new Float64Array(line.modelCount);
    this.copyStart = new Int32Array(line.toolCopies.length + 1);
    line.toolCopies.forEach((count, tool) => (this.copyStart[tool + 1] = this.copyStart[tool]! + count));
    const copies = this.copyStart[line.toolCopies.length]!;
    this.copySetup = new Int32Array(copies);
    this.copyEnd = new Float64Array(copies);
    this.reset();
  }

  reset(): void {
    this.session = 0;
    this.time = this.line.sessionFrom[0]!;
    this.held = -1;
    this.handsOn = this.changeover = this.wait = this.missing = 0;
    this.handleReady.fill(0);
    this.copySetup.fill(-1);
    this.copyEnd.fill(0);
  }

  /** Places the job and returns its timing, in an object that the next call overwrites. */
  place(job: number): JobTiming {
    this.run(job, true);
    return this.timing;
  }

  /** What placing the job now would bring, without moving the clock. */
  peek(job: number): JobTiming {
    const { time, session, held, handsOn, changeover, wait, missing } = this;
    this.run(job, false);
    Object.assign(this, { time, session, held, handsOn, changeover, wait, missing });
    return this.timing;
  }

  /** The end of every cell placed so far. */
  get cellEnds(): Float64Array {
    return this.cellEnd;
  }

  private run(job: number, commit: boolean): void {
    const { line, timing } = this;
    const setup = line.jobSetup[job]!;
    const tool = line.setupTool[setup]!;
    const firstCell = line.cellStart[job]!;
    const lastCell = line.cellStart[job + 1]!;
    if (this.missing > 0) {
      this.missing += this.cellSum(firstCell, lastCell);
      return;
    }
    timing.prep = timing.wait = 0;
    if (tool >= 0) this.chooseCopy(tool, setup);
    const gate = this.trayGate(job);
    for (let cell = firstCell; cell < lastCell; cell++) {
      const minutes = line.cellMinutes[cell]!;
      let ready = Math.max(gate, this.modelReady(job, cell - firstCell, line.cellModel[cell]!));
      if (tool >= 0 && this.copyFree > ready) ready = this.copyFree;
      if (!this.paint(setup, minutes, ready, cell === firstCell)) {
        this.missing += this.minutesMissing(setup, ready, cell, lastCell);
        break;
      }
      this.cellEnd[cell] = this.time;
      // The copy in hand is under this setup from its first model on, so it is free at once for the rest of the job.
      this.copyFree = 0;
    }
    timing.end = this.trayEnd[job] = this.time;
    if (commit) this.commit(job, setup, tool);
  }

  /** Does one model in this session or a later one; false when there is no session left that holds it. */
  private paint(setup: number, minutes: number, ready: number, first: boolean): boolean {
    const { line, timing } = this;
    for (;;) {
      const free = this.time + this.prepFor(setup);
      const begin = Math.max(free, ready);
      if (begin + minutes <= line.sessionTo[this.session]! + SESSION_ROUNDING) {
        if (first) {
          timing.from = this.time;
          timing.begin = begin;
        }
        timing.prep += free - this.time;
        timing.wait += begin - free;
        this.changeover += free - this.time;
        this.wait += begin - free;
        this.handsOn += minutes;
        this.time = begin + minutes;
        this.held = setup;
        return true;
      }
      if (this.session + 1 >= line.sessionFrom.length) return false;
      this.session++;
      this.time = line.sessionFrom[this.session]!;
      this.held = -1;
    }
  }

  private prepFor(setup: number): number {
    if (this.held === setup) return 0;
    return this.held < 0 ? this.line.start[setup]! : this.line.changeover[this.held * this.line.setupCount + setup]!;
  }

  /** The last session would have to be at least this much longer for this model and the rest of its job. */
  private minutesMissing(setup: number, ready: number, cell: number, lastCell: number): number {
    const begin = Math.max(this.time + this.prepFor(setup), ready);
    return begin - this.line.sessionTo[this.session]! + this.cellSum(cell, lastCell);
  }

  private cellSum(firstCell: number, lastCell: number): number {
    let minutes = 0;
    for (let cell = firstCell; cell < lastCell; cell++) minutes += this.line.cellMinutes[cell]!;
    return minutes;
  }

  /** The moment every whole-tray predecessor is dry. */
  private trayGate(job: number): number {
    const { line } = this;
    let gate = 0;
    for (let edge = line.edgeStart[job]!; edge < line.edgeStart[job + 1]!; edge++) {
      if (!line.edgeWholeTray[edge]) continue;
      gate = Math.max(gate, this.trayEnd[line.edgeJob[edge]!]! + line.edgeLag[edge]!);
    }
    return gate;
  }

  /** The moment one model may be taken up: its own predecessors dry, and safe to handle. */
  private modelReady(job: number, offset: number, model: number): number {
    const { line } = this;
    let ready = this.handleReady[model]!;
    for (let edge = line.edgeStart[job]!; edge < line.edgeStart[job + 1]!; edge++) {
      if (line.edgeWholeTray[edge]) continue;
      const cell = line.edgeCell[line.edgeCellStart[edge]! + offset]!;
      if (cell >= 0) ready = Math.max(ready, this.cellEnd[cell]! + line.edgeLag[edge]!);
    }
    return ready;
  }

  /** The copy last used under this setup, else one never used, else the one that has rested longest. */
  private chooseCopy(tool: number, setup: number): void {
    const first = this.copyStart[tool]!;
    const last = this.copyStart[tool + 1]!;
    let same = -1;
    let unused = -1;
    let oldest = first;
    for (let copy = first; copy < last; copy++) {
      if (this.copySetup[copy] === setup && (same < 0 || this.copyEnd[copy]! > this.copyEnd[same]!)) same = copy;
      if (this.copySetup[copy] === -1 && unused < 0) unused = copy;
      if (this.copyEnd[copy]! < this.copyEnd[oldest]!) oldest = copy;
    }
    this.copy = same >= 0 ? same : unused >= 0 ? unused : oldest;
    this.copyFree = same >= 0 || unused >= 0 ? 0 : this.copyEnd[this.copy]! + this.line.toolRest[tool]!;
  }

  private commit(job: number, setup: number, tool: number): void {
    const { line } = this;
    const handle = line.jobHandle[job]!;
    for (let cell = line.cellStart[job]!; cell < line.cellStart[job + 1]!; cell++) {
      const model = line.cellModel[cell]!;
      this.handleReady[model] = Math.max(this.handleReady[model]!, this.cellEnd[cell]! + handle);
    }
    if (tool >= 0) {
      this.copySetup[this.copy] = setup;
      this.copyEnd[this.copy] = this.time;
    }
  }
}
