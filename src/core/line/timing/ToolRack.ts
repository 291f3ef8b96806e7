import type { CompiledLine } from '../problem/compiledLine';

/** A copy of a tool that is owned. */
export interface ToolCopy {
  tool: number;
  /** Under which it was used last, or -1. */
  setup: number;
  end: number;
  rest: number;
  /** Its index where the contract's choice depends on it, for ends at the same minute; else -1. */
  copy: number;
}

/**
 * The tools that rest between setups, with their copies: which copy a setup takes, when it is free, and how the rack stood
 * after each job, by the record of the job.
 */
export class ToolRack {
  /** When the copy chosen last is free; 0 when it is free at once. */
  freeAt = 0;
  private chosen = -1;
  private readonly first: Int32Array;
  private readonly copies: number;
  private readonly setup: Int32Array;
  private readonly end: Float64Array;
  private readonly setupAfter: Int32Array;
  private readonly endAfter: Float64Array;

  constructor(
    private readonly line: CompiledLine,
    records: number,
  ) {
    this.first = new Int32Array(line.toolCopies.length + 1);
    line.toolCopies.forEach((count, tool) => (this.first[tool + 1] = this.first[tool]! + count));
    this.copies = this.first[line.toolCopies.length]!;
    this.setup = new Int32Array(this.copies);
    this.end = new Float64Array(this.copies);
    this.setupAfter = new Int32Array(records * this.copies);
    this.endAfter = new Float64Array(records * this.copies);
  }

  /** All copies rested and none used. */
  clear(): void {
    this.setup.fill(-1);
    this.end.fill(0);
  }

  /** The copy last used under this setup, else one never used, else the one that has rested longest. */
  choose(setup: number): void {
    this.freeAt = 0;
    const tool = this.line.setupTool[setup]!;
    if (tool < 0) return;
    const first = this.first[tool]!;
    const last = this.first[tool + 1]!;
    let same = -1;
    let unused = -1;
    let oldest = first;
    for (let copy = first; copy < last; copy++) {
      if (this.setup[copy] === setup && (same < 0 || this.end[copy]! > this.end[same]!)) same = copy;
      if (this.setup[copy] === -1 && unused < 0) unused = copy;
      if (this.end[copy]! < this.end[oldest]!) oldest = copy;
    }
    this.chosen = same >= 0 ? same : unused >= 0 ? unused : oldest;
    if (same < 0 && unused < 0) this.freeAt = this.end[oldest]! + this.line.toolRest[tool]!;
  }

  /** The copy chosen last was used under its setup until now; does nothing for a setup without a tool. */
  use(setup: number, now: number): void {
    if (this.line.setupTool[setup]! < 0) return;
    this.setup[this.chosen] = setup;
    this.end[this.chosen] = now;
  }

  remember(record: number): void {
    for (let copy = 0, at = record * this.copies; copy < this.copies; copy++, at++) {
      this.setupAfter[at] = this.setup[copy]!;
      this.endAfter[at] = this.end[copy]!;
    }
  }

  goBackTo(record: number): void {
    for (let copy = 0, at = record * this.copies; copy < this.copies; copy++, at++) {
      this.setup[copy] = this.setupAfter[at]!;
      this.end[copy] = this.endAfter[at]!;
    }
  }

  /**
   * Would jobs from now on choose as they did after a record? Tools that have rested by now need not have rested since the
   * same minute, only in the same order.
   */
  isAsAfter(record: number, now: number): boolean {
    const { toolRest } = this.line;
    const base = record * this.copies;
    for (let tool = 0; tool < toolRest.length; tool++) {
      for (let copy = this.first[tool]!; copy < this.first[tool + 1]!; copy++) {
        const end = this.end[copy]!;
        const keptEnd = this.endAfter[base + copy]!;
        if (this.setupAfter[base + copy] !== this.setup[copy]) return false;
        if (keptEnd !== end && Math.max(end, keptEnd) + toolRest[tool]! > now) return false;
        for (let other = this.first[tool]!; other < copy; other++)
          if (this.end[other]! < end !== this.endAfter[base + other]! < keptEnd) return false;
      }
    }
    return true;
  }

  /** The copies of all tools, each tool's by their last use. */
  byLastUse(): ToolCopy[] {
    if (this.copies === 0) return [];
    return Array.from(this.line.toolRest).flatMap((rest, tool) => {
      const ends = this.end.subarray(this.first[tool]!, this.first[tool + 1]!);
      const setups = this.setup.subarray(this.first[tool]!, this.first[tool + 1]!);
      return Array.from(ends, (end, copy) => {
        const isTie = setups[copy]! >= 0 && ends.some((other, index) => index !== copy && setups[index]! >= 0 && other === end);
        return { tool, setup: setups[copy]!, end, rest, copy: isTie ? copy : -1 };
      }).sort((a, b) => (a.setup < 0 ? -1 : a.end) - (b.setup < 0 ? -1 : b.end));
    });
  }
}
