import { MINUTE_MS } from '../../kernel/timeUnits';
import type { LineTool } from '../../line/definitions';
import { toolOf } from '../../scheme/passes/setups';
import type { BenchJob, BenchLine, BenchPass } from './benchLine';
import type { BenchClock, BenchMarks, Mark } from '../definitions';

/** A pass that should stand before another and has not been painted on a model. */
export interface BrokenRule {
  before: BenchPass;
  reason: string;
  models: number[];
}

export interface Readiness {
  /** When the model may be worked on, UTC ms; 0 when at once, Infinity while something under it is not painted. */
  readyAt: number;
  /** It may not even be picked up before, UTC ms; 0 when it may. */
  handleAt: number;
}

/**
 * Looks up what may be worked on: dry enough to be painted over, to be picked up at all, and its tool rested. One for each
 * state of the marks.
 */
export class BenchReadiness {
  private readonly passes: ReadonlyMap<string, BenchPass>;
  private readonly trays = new Map<string, { models: number[] }[]>();
  private readonly passesOfUnit = new Map<string, BenchPass[]>();

  constructor(
    private readonly line: BenchLine,
    private readonly tools: readonly LineTool[],
    private readonly state: BenchMarks,
    private readonly clock: BenchClock,
  ) {
    this.passes = new Map(line.passes.map((pass) => [pass.key, pass]));
    for (const unit of line.units) this.trays.set(unit.id, unit.trays);
    for (const pass of line.passes) this.passesOfUnit.set(pass.unitId, [...(this.passesOfUnit.get(pass.unitId) ?? []), pass]);
  }

  of(passKey: string, model: number): Readiness {
    const pass = this.passes.get(passKey)!;
    let ready = 0;
    for (const after of pass.after) {
      const before = this.line.passes[after.pass]!;
      for (const each of this.waitsFor(before, model, after.scope)) {
        const mark = this.mark(before.key, each);
        ready = Math.max(ready, mark ? mark.at + waitAfter(mark, after.lagMinutes) * MINUTE_MS : Infinity);
      }
    }
    const handle = this.handleAt(pass.unitId, model);
    return { readyAt: Math.max(ready, handle), handleAt: handle };
  }

  /** Hard rules that painting these models now would break, in the order of the scheme. */
  broken(passKey: string, models: readonly number[]): BrokenRule[] {
    return this.passes.get(passKey)!.after.flatMap(({ pass, scope, reason }) => {
      const before = this.line.passes[pass]!;
      const open = new Set(models.flatMap((model) => this.waitsFor(before, model, scope)).filter((model) => !this.mark(before.key, model)));
      return open.size === 0 ? [] : [{ before, reason: this.line.reasons[reason]!, models: [...open].sort((a, b) => a - b) }];
    });
  }

  /** When the tool that a pass takes is rested, UTC ms; 0 when it may be taken up at once. */
  toolReadyAt({ passKey, setupId }: Pick<BenchJob, 'passKey' | 'setupId'>): number {
    const id = toolOf(this.passes.get(passKey)!.technique);
    const tool = this.tools.find((each) => each.id === id);
    if (!tool || tool.restMinutes === 0) return 0;
    const uses = new Map<string, number>();
    for (const [key, models] of this.state.marks) {
      if (toolOf(this.passes.get(key)?.technique ?? null) !== id) continue;
      for (const mark of models.values()) if (mark.setupId !== '') uses.set(mark.setupId, Math.max(uses.get(mark.setupId) ?? 0, mark.at));
    }
    // Each of the brushes used last holds its setup; another setup takes the one that has rested longest.
    const held = [...uses].sort((a, b) => b[1] - a[1]).slice(0, tool.count);
    if (held.length < tool.count || held.some(([setup]) => setup === setupId)) return 0;
    return held.at(-1)![1] + tool.restMinutes * MINUTE_MS;
  }

  isOpen(job: Pick<BenchJob, 'passKey' | 'unitId'>, model: number): boolean {
    return !this.mark(job.passKey, model) && !this.state.aside.get(job.unitId)?.has(model);
  }

  openModels(job: BenchJob): number[] {
    return job.models.filter((model) => this.isOpen(job, model));
  }

  /** Models of a job that may be painted at `now`, its tool included. */
  readyModels(job: BenchJob, now: number): number[] {
    if (this.toolReadyAt(job) > now) return [];
    return this.openModels(job).filter((model) => this.of(job.passKey, model).readyAt <= now);
  }

  /** When the first open model of a job may be worked on, its tool included, UTC ms. */
  firstReadyAt(job: BenchJob): number {
    const models = this.openModels(job).map((model) => this.of(job.passKey, model).readyAt);
    return Math.max(Math.min(...models), this.toolReadyAt(job));
  }

  /** The model that the painter goes on with: the one chosen or started, else the next one ready, else the next. */
  nextModel(job: BenchJob, now: number): number | null {
    const open = this.openModels(job);
    const chosen = this.clock.startedAnyway ?? this.clock.picked;
    if (this.clock.current?.passKey === job.passKey && chosen !== null && open.includes(chosen)) return chosen;
    return open.find((model) => this.of(job.passKey, model).readyAt <= now) ?? open[0] ?? null;
  }

  private mark(passKey: string, model: number): Mark | undefined {
    return this.state.marks.get(passKey)?.get(model);
  }

  private waitsFor(before: BenchPass, model: number, scope: 'model' | 'tray'): number[] {
    if (scope === 'model') return before.models.includes(model) ? [model] : [];
    const tray = this.trays.get(before.unitId)?.find(({ models }) => models.includes(model));
    return before.models.filter((each) => tray?.models.includes(each) && !this.state.aside.get(before.unitId)?.has(each));
  }

  private handleAt(unitId: string, model: number): number {
    let at = 0;
    for (const pass of this.passesOfUnit.get(unitId) ?? []) {
      const mark = this.mark(pass.key, model);
      if (mark) at = Math.max(at, mark.at + mark.handleMinutes * MINUTE_MS);
    }
    return at;
  }
}

/** When a mark is dry, UTC ms. */
export const dryAt = (mark: Pick<Mark, 'at' | 'dryMinutes'>): number => mark.at + mark.dryMinutes * MINUTE_MS;

/** Nothing waits for what was left out. */
const waitAfter = ({ leftOut, dryMinutes }: Mark, lagMinutes: number | null): number => (leftOut ? 0 : (lagMinutes ?? dryMinutes));
