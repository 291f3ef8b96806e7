import { expect } from 'chai';
import type { BenchEvent } from '../../../../src/core/bench/definitions';
import { mixInHand } from '../../../../src/core/bench/guide/mixInHand';
import { foldMarks, mergeMarks } from '../../../../src/core/bench/replay/foldMarks';
import { checkBenchEvent } from '../../../../src/core/formats/commission/benchEvents';
import { packMarks, unpackMarks } from '../../../../src/contract/bench';
import { START, tap, TestBench } from '../../../support/bench';
import { paint, part, roster, step, unit } from '../../../support/units';

const MINUTE = 60_000;
const NIGHT = 24 * 60;
const paints = new Map([paint('mix-sea'), paint('blue')].map((each) => [each.id, each]));
const shed = new TestBench(
  roster(
    ['Keepers', 'Cutters'].map((name) =>
      unit(name, [
        part('coat', step('basecoat', { paint: 'mix-sea' })),
        part('hat', step('layer', { paint: 'mix-sea' })),
        part('eyes', step('layer', { paint: 'blue' })),
      ]),
    ),
    { paints },
  ),
);
const coat = shed.pass('coat');
const kept = (minute: number, pass = coat) => tap(minute, 'mix-kept', { ...shed.of(pass), facts: shed.facts(pass) });
const at = (minute: number, events: BenchEvent[], pass = coat) =>
  mixInHand(shed.line, foldMarks(events), shed.job(pass), START + minute * MINUTE);
const painted = [shed.started(0, coat), shed.done(5, coat, 1), shed.done(9, coat, 2)];

describe('the mix in hand', () => {
  it('has to be made before anything is painted with it, and for each unit by itself', () => {
    expect(at(0, [])).to.deep.equal({ state: 'none' });
    expect(at(10, painted, shed.pass('coat', 'Cutters'))).to.deep.equal({ state: 'none' });
    expect(at(10, painted, shed.pass('eyes'))).to.deep.equal({ state: 'none' });
  });

  it('stays in use for the evening, in every step of the unit', () => {
    expect(at(60, painted)).to.deep.equal({ state: 'in use', usedAt: START + 9 * MINUTE });
    expect(at(60, painted, shed.pass('hat')).state).to.equal('in use');
  });

  it('is asked after on another evening, until the painter says that it has kept, or has painted on', () => {
    expect(at(NIGHT, painted)).to.deep.equal({ state: 'old', usedAt: START + 9 * MINUTE });
    const told = [...painted, kept(NIGHT)];
    expect(at(NIGHT + 1, told)).to.deep.equal({ state: 'in use', usedAt: START + NIGHT * MINUTE });
    expect(at(2 * NIGHT, told).state, 'the evening after').to.equal('old');
    expect(at(NIGHT + 1, [...told, tap(NIGHT + 1, 'undone', { target: told.at(-1)!.id })]).state, 'taken back').to.equal('old');
    expect(at(NIGHT + 9, [...painted, shed.started(NIGHT, coat), shed.done(NIGHT + 4, coat, 3)]).state).to.equal('in use');
  });

  it('does not count models that were left out', () => {
    expect(at(NIGHT, [tap(1, 'left-out', { ...shed.of(coat), models: [1] })])).to.deep.equal({ state: 'none' });
  });

  it('travels with the marks, and with those of other units', () => {
    const marks = foldMarks([...painted, kept(NIGHT)]);
    expect(unpackMarks(packMarks(marks)).keptMixes).to.deep.equal(marks.keptMixes);
    const other = shed.pass('coat', 'Cutters');
    expect([...mergeMarks([marks, foldMarks([shed.started(1, other), kept(2, other)])]).keptMixes.keys()]).to.have.length(2);
    expect(
      foldMarks([kept(2 * NIGHT)], { before: marks })
        .keptMixes.get(coat.unitId)
        ?.get('mix-sea'),
    ).to.equal(START + 2 * NIGHT * MINUTE);
    expect(marks.keptMixes.get(coat.unitId)?.get('mix-sea'), 'what went before stays').to.equal(START + NIGHT * MINUTE);
  });

  it('is told with the name of the mix', () => {
    expect(() => checkBenchEvent({ ...kept(1), facts: null }, 'events[0]')).to.throw('facts.paintId');
  });
});
