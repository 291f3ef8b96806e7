import { expect } from 'chai';
import type { BenchEvent } from '../../../src/core/bench/definitions';
import { foldClock } from '../../../src/core/bench/replay/foldClock';
import { foldMarks } from '../../../src/core/bench/replay/foldMarks';
import { tap, TestBench } from '../../support/bench';
import { RandomPainter } from '../../support/painter';
import { Random, seeds } from '../../support/random';
import { paint, part, roster, step, unit } from '../../support/units';

const paints = new Map([paint('red'), paint('blue')].map((each) => [each.id, each]));
const scheme = () => [part('coat', step('basecoat', { paint: 'red', coats: 2 })), part('cap', step('layer', { paint: 'blue' }))];
const bench = new TestBench(
  roster(
    ['keepers', 'cutters'].map((name) => unit(name, scheme(), [step('wash', { paint: 'blue' })], { promised: 6 })),
    { paints },
  ),
);
const passes = bench.line.passes.map((pass) => ({ ...pass, unit: pass.unitId, step: pass.stepId }));
const ACTS = 120;

describe('a painter who works at random', () => {
  for (const seed of seeds(40)) {
    it(`finds no mark lost or invented, and the minutes worked and set up in the log (walk ${seed})`, () => {
      const events: BenchEvent[] = [];
      const painter = new RandomPainter(new Random(seed), (minute, kind, more) => tap(minute, kind, more));
      const knownFacts = (key: string) => bench.facts(bench.line.passes.find((pass) => pass.key === key)!);
      for (let act = 0; act < ACTS; act++) {
        events.push(...painter.act(passes));
        const { marks } = foldMarks(events, { knownFacts });
        for (const pass of passes) {
          const painted = [...(marks.get(pass.key)?.keys() ?? [])].sort((a, b) => a - b);
          expect(painted, `act ${act}, ${pass.key}`).to.deep.equal([...(painter.marks.get(pass.key) ?? [])].sort((a, b) => a - b));
          const missed = painted.filter((model) => marks.get(pass.key)!.get(model)!.missed);
          expect(missed).to.deep.equal(painted.filter((model) => painter.missed.has(`${pass.key} ${model}`)));
        }
        const { stretches } = foldClock(events, { knownFacts });
        const minutes = stretches.reduce((sum, stretch) => sum + (stretch.open ? 0 : stretch.minutes), 0);
        expect(minutes, `act ${act}`).to.be.closeTo(painter.worked, 1e-3 * (act + 1));
        const setUp = stretches.reduce((sum, stretch) => sum + (stretch.setupMinutes ?? 0), 0);
        expect(setUp, `set-up, act ${act}`).to.be.closeTo(painter.setUp, 2e-3 * (act + 1));
      }
      expect(painter.worked).to.be.greaterThan(10);
    });
  }
});
