import { benchLine, factsOfPass, type BenchJob, type BenchLine, type BenchPass } from '../../src/core/bench/guide/benchLine';
import type { BenchEvent, BenchEventKind, WorkFacts } from '../../src/core/bench/definitions';
import { wholeEvent } from '../../src/core/bench/wholeEvent';
import { foldClock } from '../../src/core/bench/replay/foldClock';
import { foldMarks } from '../../src/core/bench/replay/foldMarks';
import type { BenchScene } from '../../src/core/bench/guide/viewBench';
import type { Roster } from '../../src/core/plan/build/roster';
import { changeoverMinutes, setupOf, startMinutes } from '../../src/core/scheme/passes/setups';
import { lineTools } from '../../src/core/plan/build/lineTools';

export const START = Date.parse('2026-11-23T19:00:00Z');

let ids = 0;

/** An event so many minutes after the start. */
export const tap = (minute: number, kind: BenchEventKind, more: Partial<BenchEvent> = {}): BenchEvent =>
  wholeEvent({ id: `e${String(++ids).padStart(5, '0')}`, kind, at: new Date(START + Math.round(minute * 60_000)).toISOString(), ...more });

/** A bench over a roster, with the taps of its passes. */
export class TestBench {
  readonly line: BenchLine;

  constructor(private readonly roster: Roster) {
    this.line = benchLine(roster, []);
  }

  pass(part: string | null, unit = this.line.units[0]!.name): BenchPass {
    const unitId = this.line.units.find((each) => each.name === unit)!.id;
    return this.line.passes.find((each) => each.part === part && each.unitId === unitId)!;
  }

  job(pass: BenchPass, tray = 1): BenchJob {
    return this.line.jobs.find((each) => each.passKey === pass.key && each.tray === tray)!;
  }

  facts(pass: BenchPass): WorkFacts {
    return factsOfPass(
      pass,
      pass.dips[0]!,
      this.line.units.find((unit) => unit.id === pass.unitId)!,
      null,
    );
  }

  of = (pass: BenchPass) => ({ unit: pass.unitId, step: pass.stepId, coat: pass.coat });

  started = (minute: number, pass: BenchPass, ...models: number[]) =>
    tap(minute, 'started', { ...this.of(pass), facts: this.facts(pass), models });

  done = (minute: number, pass: BenchPass, ...models: number[]) => tap(minute, 'done', { ...this.of(pass), models });

  missed = (minute: number, pass: BenchPass, ...models: number[]) => tap(minute, 'missed', { ...this.of(pass), models });

  scene(events: readonly BenchEvent[]): BenchScene {
    const { house, paints } = this.roster;
    return {
      line: this.line,
      tools: lineTools(house),
      state: foldMarks(events),
      clock: foldClock(events).clock,
      changeover: (from, to) =>
        from
          ? changeoverMinutes(setupOf(from, paints), setupOf(to.setupId, paints), house)
          : startMinutes(setupOf(to.setupId, paints), house),
    };
  }
}
