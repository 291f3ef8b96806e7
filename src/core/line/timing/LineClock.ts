import type { CompiledLine } from '../problem/compiledLine';
import { SESSION_ROUNDING } from '../definitions';
import { ToolRack } from './ToolRack';

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
 * The painter's clock: places jobs one after another by the timing rules of the line problem, and can go back to any
 * moment of the order it was told to keep and go on from there in another way.
 *
 * `restart`, then `place` every job, times an order from scratch. `keep` makes what was placed the kept order;
 * `branch(p)` goes back to the moment after its first p jobs, where other jobs may be placed; then `keep` or `drop`.
 * Every job has two records, so that a branch never overwrites what it may have to go back to: placing writes the one
 * that is not in use and turns to it, dropping turns back.
 *
 * A job that its models pass through without a stop is *smooth*: its begin says everything. Most jobs are, and most
 * waits for others are settled by comparing two numbers; only the others are timed model by model.
 *
 * When a job does not fit in the sessions left, `missing` says by how many minutes at the least.
 */
export class LineClock {
  time = 0;
  /** Hands-on and waiting minutes that did not fit after the last session; 0 while everything fits. */
  missing = 0;
  session = 0;
  /** Setup and tray in hand, or -1. */
  held = -1;
  tray = -1;
  readonly timing: JobTiming = { from: 0, begin: 0, end: 0, prep: 0, wait: 0 };

  private readonly side: Uint8Array;
  private readonly end: Float64Array;
  /** Begin of a smooth job, NaN for the others: their models' ends stand in `cellEnds`. */
  private readonly smoothBegin: Float64Array;
  private readonly cellEnds: Float64Array;
  private readonly lost: Float64Array;
  private readonly sessionAfter: Int32Array;
  private readonly missingAfter: Float64Array;
  readonly tools: ToolRack;
  /** The job before it on the same tray, and the moment all of them may be picked up; for trays with handle minutes. */
  private readonly trayBefore: Int32Array;
  private readonly trayHandleAt: Float64Array;
  private readonly trayLast: Int32Array;
  private readonly trayBranch: Int32Array;
  private readonly modelHandleAt: Float64Array;

  private readonly keptOrder: Int32Array;
  private readonly keptPosition: Int32Array;
  private readonly placed: Int32Array;
  private placedCount = 0;
  private branchAt = 0;
  private branchNumber = 0;

  constructor(readonly line: CompiledLine) {
    const n = line.jobCount;
    this.side = new Uint8Array(n);
    this.end = new Float64Array(2 * n);
    this.smoothBegin = new Float64Array(2 * n);
    this.cellEnds = new Float64Array(2 * line.cellMinutes.length);
    this.lost = new Float64Array(2 * n);
    this.sessionAfter = new Int32Array(2 * n);
    this.missingAfter = new Float64Array(2 * n);
    this.tools = new ToolRack(line, 2 * n);
    this.trayBefore = new Int32Array(2 * n).fill(-1);
    this.trayHandleAt = new Float64Array(2 * n);
    this.trayLast = new Int32Array(line.trayJobs.length);
    this.trayBranch = new Int32Array(line.trayJobs.length);
    this.modelHandleAt = new Float64Array(line.modelCount);
    this.keptOrder = new Int32Array(n);
    this.keptPosition = new Int32Array(n);
    this.placed = new Int32Array(n);
    this.restart();
  }

  /** Back to the first minute of the first session. */
  restart(): void {
    this.branch(0);
  }

  /** Back to the moment after the first `position` jobs of the kept order. */
  branch(position: number): void {
    this.placedCount = 0;
    this.branchAt = position;
    this.branchNumber++;
    if (position === 0) {
      this.session = 0;
      this.time = this.line.sessionFrom[0]!;
      this.held = -1;
      this.tray = -1;
      this.missing = 0;
      this.tools.clear();
      return;
    }
    const last = this.keptOrder[position - 1]!;
    const record = this.recordOf(last);
    this.session = this.sessionAfter[record]!;
    this.time = this.end[record]!;
    this.held = this.line.jobSetup[last]!;
    this.tray = this.line.jobTray[last]!;
    this.missing = this.missingAfter[record]!;
    this.tools.goBackTo(record);
  }

  /** Places the job and returns its timing, in an object that the next call overwrites. */
  place(job: number): JobTiming {
    const record = this.recordOf(job) ^ 1;
    const before = this.lastOnTray(job);
    this.run(job, record, before);
    this.remember(job, record, before);
    this.side[job]! ^= 1;
    this.placed[this.placedCount++] = job;
    return this.timing;
  }

  /** What placing the job now would bring, without moving the clock. */
  peek(job: number): JobTiming {
    const { time, session, held, tray, missing } = this;
    this.run(job, this.recordOf(job) ^ 1, this.lastOnTray(job));
    Object.assign(this, { time, session, held, tray, missing });
    return this.timing;
  }

  /** The kept order goes on with what was placed since the branch. */
  keep(): void {
    for (let index = 0; index < this.placedCount; index++) {
      const job = this.placed[index]!;
      this.keptOrder[this.branchAt + index] = job;
      this.keptPosition[job] = this.branchAt + index;
    }
    this.branchAt += this.placedCount;
    this.placedCount = 0;
  }

  /** Forgets what was placed since the branch. */
  drop(): void {
    for (let index = 0; index < this.placedCount; index++) this.side[this.placed[index]!]! ^= 1;
    this.placedCount = 0;
  }

  /** End of one cell of a job that was placed. */
  cellEnd(job: number, cell: number): number {
    const smooth = this.smoothBegin[this.recordOf(job)]!;
    return smooth === smooth ? smooth + this.line.cellSum[cell]! : this.cellEnds[this.side[job]! * this.line.cellSum.length + cell]!;
  }

  endOf(job: number): number {
    return this.end[this.recordOf(job)]!;
  }

  /** Changeover and waiting minutes of a job that was placed. */
  lostOn(job: number): number {
    return this.lost[this.recordOf(job)]!;
  }

  /** The same of its other record: as it stood in the kept order, for a job placed in a branch. */
  keptLostOn(job: number): number {
    return this.lost[this.recordOf(job) ^ 1]!;
  }

  keptEndOf(job: number): number {
    return this.end[this.recordOf(job) ^ 1]!;
  }

  /**
   * Is the clock where it was after the job in the kept order, so that the jobs behind it would go the same way?
   */
  isAsAfter(job: number): boolean {
    const kept = this.recordOf(job) ^ 1;
    return (
      Math.abs(this.end[kept]! - this.time) <= SESSION_ROUNDING &&
      this.sessionAfter[kept] === this.session &&
      this.missing === 0 &&
      this.missingAfter[kept] === 0 &&
      this.tools.isAsAfter(kept, this.time)
    );
  }

  /** Minutes before a job could begin if nothing had to dry: its setup got ready, its tray fetched. */
  prepFor(job: number): number {
    const { line, held } = this;
    const setup = line.jobSetup[job]!;
    const tray = line.jobTray[job]!;
    const fetch = tray === this.tray ? 0 : line.trayFetch[tray]!;
    if (held === setup) return fetch;
    return fetch + (held < 0 ? line.start[setup]! : line.changeover[held * line.setupCount + setup]!);
  }

  private recordOf(job: number): number {
    return 2 * job + this.side[job]!;
  }

  private run(job: number, record: number, before: number): void {
    const { line } = this;
    if (this.missing > 0) {
      this.missing += line.jobMinutes[job]!;
      this.timing.prep = this.timing.wait = 0;
      return;
    }
    const setup = line.jobSetup[job]!;
    this.tools.choose(setup);
    const free = this.time + this.prepFor(job);
    const begin = this.smoothStart(job, before, free);
    if (begin + line.jobMinutes[job]! <= line.sessionTo[this.session]! + SESSION_ROUNDING) this.runSmooth(job, record, free, begin);
    else this.runModelByModel(job, record, before);
  }

  /** When the job could begin and then run without a stop; NaN when it cannot, or when only its models tell. */
  private smoothStart(job: number, before: number, free: number): number {
    const { line } = this;
    let begin = Math.max(free, this.tools.freeAt);
    let later = -Infinity;
    for (let edge = line.edgeStart[job]!, last = line.edgeStart[job + 1]!; edge < last; edge++) {
      const other = 2 * line.edgeJob[edge]! + this.side[line.edgeJob[edge]!]!;
      const lag = line.edgeLag[edge]!;
      const dry = this.end[other]! + lag;
      if (dry <= begin) continue;
      if (line.edgeWholeTray[edge]) begin = dry;
      else {
        const start = this.smoothBegin[other]! + lag + line.edgeLead[edge]!;
        if (start !== start) return NaN;
        if (!line.edgeLeadsAtFirst[edge]) later = Math.max(later, start);
        else if (start > begin) begin = start;
      }
    }
    if (later > begin) return NaN;
    for (let other = before; other >= 0;) {
      const record = this.recordOf(other);
      if (this.trayHandleAt[record]! <= begin) break;
      if (this.end[record]! + line.jobHandle[other]! > begin && !this.driesLonger(other, job)) return NaN;
      other = this.trayBefore[record]!;
    }
    return begin;
  }

  /** Does the job wait for the other one's drying for at least as long as it could not be handled? */
  private driesLonger(other: number, job: number): boolean {
    const { line } = this;
    for (let edge = line.edgeStart[job]!; edge < line.edgeStart[job + 1]!; edge++)
      if (line.edgeJob[edge] === other && line.edgeLag[edge]! >= line.jobHandle[other]!) return true;
    return false;
  }

  private runSmooth(job: number, record: number, free: number, begin: number): void {
    const { timing } = this;
    timing.from = this.time;
    timing.prep = free - this.time;
    timing.begin = begin;
    timing.wait = begin - free;
    this.time = timing.end = begin + this.line.jobMinutes[job]!;
    this.held = this.line.jobSetup[job]!;
    this.tray = this.line.jobTray[job]!;
    this.smoothBegin[record] = begin;
    this.end[record] = this.time;
  }

  private runModelByModel(job: number, record: number, before: number): void {
    const { line, timing } = this;
    const firstCell = line.cellStart[job]!;
    const lastCell = line.cellStart[job + 1]!;
    const cellEnds = (record & 1) * line.cellSum.length;
    const gate = this.trayGate(job);
    // The copy in hand is under this setup from its first model on, so it is free at once for the rest of the job.
    let toolFree = this.tools.freeAt;
    this.handleTimes(job, before);
    timing.prep = timing.wait = 0;
    for (let cell = firstCell; cell < lastCell; cell++) {
      const minutes = line.cellMinutes[cell]!;
      const ready = Math.max(gate, this.modelReady(job, cell - firstCell, line.cellModel[cell]!), toolFree);
      if (!this.paint(job, minutes, ready, cell === firstCell)) {
        this.missing += this.minutesMissing(job, ready, cell, lastCell);
        break;
      }
      this.cellEnds[cellEnds + cell] = this.time;
      toolFree = 0;
    }
    this.smoothBegin[record] = NaN;
    this.end[record] = timing.end = this.time;
  }

  /** Does one model in this session or a later one; false when there is no session left that holds it. */
  private paint(job: number, minutes: number, ready: number, first: boolean): boolean {
    const { line, timing } = this;
    for (;;) {
      const free = this.time + this.prepFor(job);
      const begin = Math.max(free, ready);
      if (begin + minutes <= line.sessionTo[this.session]! + SESSION_ROUNDING) {
        if (first) {
          timing.from = this.time;
          timing.begin = begin;
        }
        timing.prep += free - this.time;
        timing.wait += begin - free;
        this.time = begin + minutes;
        this.held = line.jobSetup[job]!;
        this.tray = line.jobTray[job]!;
        return true;
      }
      if (this.session + 1 >= line.sessionFrom.length) return false;
      this.session++;
      this.time = line.sessionFrom[this.session]!;
      this.held = -1;
      this.tray = -1;
    }
  }

  /** The last session would have to be at least this much longer for this model and the rest of its job. */
  private minutesMissing(job: number, ready: number, cell: number, lastCell: number): number {
    const { line } = this;
    const begin = Math.max(this.time + this.prepFor(job), ready);
    return begin - line.sessionTo[this.session]! + line.cellSum[lastCell - 1]! - line.cellSum[cell]! + line.cellMinutes[cell]!;
  }

  /** The moment every whole-tray predecessor is dry. */
  private trayGate(job: number): number {
    const { line } = this;
    let gate = 0;
    for (let edge = line.edgeStart[job]!; edge < line.edgeStart[job + 1]!; edge++) {
      if (!line.edgeWholeTray[edge]) continue;
      gate = Math.max(gate, this.endOf(line.edgeJob[edge]!) + line.edgeLag[edge]!);
    }
    return gate;
  }

  /** The moment each model of the job may be picked up, into `modelHandleAt`. */
  private handleTimes(job: number, before: number): void {
    const { line, modelHandleAt } = this;
    for (let cell = line.cellStart[job]!; cell < line.cellStart[job + 1]!; cell++) modelHandleAt[line.cellModel[cell]!] = 0;
    for (let other = before; other >= 0; other = this.trayBefore[this.recordOf(other)]!) {
      if (this.trayHandleAt[this.recordOf(other)]! <= this.time) break;
      for (let cell = line.cellStart[other]!; cell < line.cellStart[other + 1]!; cell++) {
        const model = line.cellModel[cell]!;
        modelHandleAt[model] = Math.max(modelHandleAt[model]!, this.cellEnd(other, cell) + line.jobHandle[other]!);
      }
    }
  }

  /** The moment one model may be taken up: its own predecessors dry, and safe to handle. */
  private modelReady(job: number, offset: number, model: number): number {
    const { line } = this;
    let ready = this.modelHandleAt[model]!;
    for (let edge = line.edgeStart[job]!; edge < line.edgeStart[job + 1]!; edge++) {
      if (line.edgeWholeTray[edge]) continue;
      const cell = line.edgeCell[line.edgeCellStart[edge]! + offset]!;
      if (cell >= 0) ready = Math.max(ready, this.cellEnd(line.edgeJob[edge]!, cell) + line.edgeLag[edge]!);
    }
    return ready;
  }

  /** The job placed last on the same tray, or -1; only for trays where handling matters. */
  private lastOnTray(job: number): number {
    const tray = this.line.jobTray[job]!;
    if (!this.line.trayHandles[tray]) return -1;
    if (this.trayBranch[tray] === this.branchNumber) return this.trayLast[tray]!;
    let last = -1;
    let lastPlace = -1;
    if (this.branchAt > 0)
      for (const other of this.line.trayJobs[tray]!) {
        const place = this.keptPosition[other]!;
        // A job that is not in a kept order of only some jobs has the place of an earlier one.
        if (place >= this.branchAt || place <= lastPlace || this.keptOrder[place] !== other) continue;
        last = other;
        lastPlace = place;
      }
    return last;
  }

  private remember(job: number, record: number, before: number): void {
    const { line } = this;
    this.lost[record] = this.timing.prep + this.timing.wait;
    this.sessionAfter[record] = this.session;
    this.missingAfter[record] = this.missing;
    const tray = line.jobTray[job]!;
    if (line.trayHandles[tray]) {
      const handleAt = this.time + line.jobHandle[job]!;
      this.trayBefore[record] = before;
      this.trayHandleAt[record] = before < 0 ? handleAt : Math.max(handleAt, this.trayHandleAt[this.recordOf(before)]!);
      this.trayLast[tray] = job;
      this.trayBranch[tray] = this.branchNumber;
    }
    if (this.missing === 0) this.tools.use(line.jobSetup[job]!, this.time);
    this.tools.remember(record);
  }
}
