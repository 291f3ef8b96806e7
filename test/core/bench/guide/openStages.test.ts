import { expect } from 'chai';
import { openStages, shareOut } from '../../../../src/core/bench/guide/openStages';
import { viewBench } from '../../../../src/core/bench/guide/viewBench';
import { START, tap, TestBench } from '../../../support/bench';
import { paint, part, roster, step, unit } from '../../../support/units';

const paints = new Map([paint('red'), paint('blue')].map((each) => [each.id, each]));
const scheme = [
  part('coat', step('basecoat', { paint: 'red' }), step('edge', { paint: 'blue' })),
  part('cap', step('basecoat', { paint: 'blue' }), step('layer', { paint: 'red', moment: 'base' })),
];
const bench = new TestBench(roster([unit('keepers', scheme, [], { promised: 3 })], { paints }));
const stages = (...events: Parameters<typeof bench.scene>[0]) => openStages(bench.line, viewBench(bench.scene(events), START).readiness);

describe('a stage told in one entry', () => {
  it('has all that is left of it, where there is more than one job', () => {
    expect(stages().map(({ moment, jobs }) => [moment, jobs.length])).to.deep.equal([['base', 3]]);
    const [coat, , cap] = bench.line.passes;
    const cut = [tap(1, 'done', { ...bench.of(coat!), models: [1, 2, 3] }), tap(2, 'done', { ...bench.of(cap!), models: [2] })];
    const [base] = stages(...cut);
    expect(base!.jobs.map(({ models }) => models)).to.deep.equal([[1, 3], [1, 2, 3]]); // prettier-ignore
  });

  it('has its minutes shared out as they are planned', () => {
    expect(shareOut(60, [10, 20])).to.deep.equal([20, 40]);
    expect(shareOut(60, [0, 0])).to.deep.equal([30, 30]);
    expect(shareOut(null, [10, 20])).to.deep.equal([0, 0]);
  });
});
