import { expect } from 'chai';
import { ulid } from 'ulid';
import { copyScheme } from '../../../../src/core/scheme/authoring/copyScheme';
import {
  addPart,
  addStep,
  addUsualGround,
  changeStep,
  movePart,
  moveStep,
  newStep,
  removePart,
  removeStep,
  changePart,
} from '../../../../src/core/scheme/authoring/edits';
import { costIfChanged, stepCost, stopLines } from '../../../../src/core/commission/stepCosts';
import { reasonsFor } from '../../../../src/core/scheme/advice/reasonsFor';
import { EMPTY_SCHEME, type Scheme } from '../../../../src/core/scheme/model/definitions';
import { DEFAULT_HOUSE_RULES } from '../../../../src/core/scheme/model/houseRules';
import { normMinutes } from '../../../../src/core/time/fit/norms';
import type { PassEstimates } from '../../../../src/core/commission/estimate';
import { part, step, unit } from '../../../support/units';

const two = (): Scheme => addPart(ulid, addPart(ulid, EMPTY_SCHEME, 'Trousers', 'blue'), 'Coat', 'red');
const names = (scheme: Scheme) => scheme.parts.map((each) => each.name);

describe('editing a scheme', () => {
  it('adds a part with its base coat', () => {
    const scheme = two();
    expect(names(scheme)).to.deep.equal(['Trousers', 'Coat']);
    expect(scheme.parts[1]!.steps[0]).to.include({ technique: 'basecoat', paint: 'red', standard: 'quick' });
  });

  it('moves, renames and removes parts, and leaves the ends where they are', () => {
    const scheme = two();
    const [deep, outer] = scheme.parts as [Scheme['parts'][0], Scheme['parts'][0]];
    expect(names(movePart(scheme, outer.id, -1))).to.deep.equal(['Coat', 'Trousers']);
    expect(movePart(scheme, deep.id, -1)).to.deep.equal(scheme);
    expect(names(changePart(removePart(scheme, deep.id), outer.id, { name: 'Cape' }))).to.deep.equal(['Cape']);
  });

  it('adds, moves, changes and removes steps of a strip', () => {
    let scheme = two();
    const strip = scheme.parts[0]!.id;
    const edge = newStep(ulid, 'edge', 'grey', false);
    scheme = moveStep(addStep(scheme, strip, edge), strip, edge.id, -1);
    expect(scheme.parts[0]!.steps.map((each) => each.technique)).to.deep.equal(['edge', 'basecoat']);
    scheme = changeStep(scheme, strip, edge.id, { coats: 2 });
    expect(scheme.parts[0]!.steps[0]!.coats).to.equal(2);
    expect(removeStep(scheme, strip, edge.id).parts[0]!.steps).to.have.length(1);
  });

  it('drops the paint of a technique that takes none', () => {
    const scheme = addStep(EMPTY_SCHEME, null, newStep(ulid, 'wash', 'brown', true));
    expect(changeStep(scheme, null, scheme.allOver[0]!.id, { technique: 'inspect' }).allOver[0]!.paint).to.equal(null);
  });

  it('copies a scheme with ids of its own', () => {
    const scheme = addUsualGround(ulid, two());
    const copy = copyScheme(scheme, ulid);
    expect(names(copy)).to.deep.equal(names(scheme));
    const ids = (of: Scheme) => [
      ...of.parts.flatMap((each) => [each.id, ...each.steps.map((its) => its.id)]),
      ...of.allOver.map((its) => its.id),
    ];
    expect(ids(copy).filter((id) => ids(scheme).includes(id))).to.deep.equal([]);
  });
});

describe('what a step costs', () => {
  const coat = step('basecoat', { coats: 2 });
  const eyes = step('eyes', { standard: 'full' });
  const keepers = unit('keepers', [part('coat', coat), part('face', eyes)], [], { promised: 5, leaders: 1 });
  const estimate = { passes: [{ passKey: `${coat.id}#1`, p50: 3, wholeP50: 3, why: 'logged' }] } as unknown as PassEstimates;

  it('counts models, coats and leaders', () => {
    expect(stepCost(keepers, coat, keepers.scheme.parts[0]!, estimate, { ...DEFAULT_HOUSE_RULES, leaderFactor: 1.5 })).to.deep.equal({
      perModel: 3,
      models: 5,
      perCoat: 16.5,
      unitMinutes: 33,
      why: 'logged',
      passKey: `${coat.id}#1`,
    });
  });

  it('stands on the norm until the log knows better', () => {
    expect(stepCost(keepers, eyes, keepers.scheme.parts[1]!, estimate, DEFAULT_HOUSE_RULES).perModel).to.equal(
      normMinutes('eyes', 'foot', 0.2),
    );
  });

  it('follows the pace on a step where another technique or share is asked for', () => {
    const cost = (more: object) =>
      costIfChanged(keepers, { ...coat, ...more }, keepers.scheme.parts[0]!, estimate, { ...DEFAULT_HOUSE_RULES, leaderFactor: 1 });
    const norm = normMinutes('basecoat', 'foot', 0.2);
    expect(cost({})).to.be.closeTo(30, 1e-9);
    expect(cost({ technique: 'drybrush', coats: 1 })).to.be.closeTo((15 * normMinutes('drybrush', 'foot', 0.2)) / norm, 1e-9);
    expect(cost({ coverage: 0.1, coats: 1 })).to.be.closeTo((15 * normMinutes('basecoat', 'foot', 0.1)) / norm, 1e-9);
  });

  const linesOf = (of: typeof keepers) => stopLines(of, 'full', [], estimate, { ...DEFAULT_HOUSE_RULES, leaderFactor: 1 }).lines;

  it('adds up to a stop set by hand, from which the models are usable if the painter says so', () => {
    const stop = { id: 'fit', name: 'fit for the table', steps: [coat.id], usable: true };
    const [first, ...standards] = linesOf({ ...keepers, scheme: { ...keepers.scheme, stops: [stop] } });
    expect(first).to.deep.include({ name: 'fit for the table', usable: true, minutes: 30 });
    expect(standards.map(({ usable }) => usable)).to.deep.equal([false, false, false, false]);
    expect(linesOf(keepers).map(({ usable }) => usable)).to.deep.equal([true, false, false, false]);
  });

  it('adds up to a stop line for each standard', () => {
    const lines = linesOf(keepers).map((line) => line.minutes);
    expect(lines[0]).to.equal(30);
    expect(lines[1]).to.equal(30);
    expect(lines[2]).to.be.greaterThan(30);
    expect(lines[3]).to.equal(lines[2]);
  });

  it('gives the reasons for its place in words', () => {
    const primed = { ...keepers, scheme: { ...keepers.scheme, allOver: [step('prime')] } };
    expect(reasonsFor(primed, coat, 'full', [], DEFAULT_HOUSE_RULES, () => 1)).to.deep.include.members([
      'After prime. Primer first: paint holds on nothing else.',
    ]);
  });
});
