import { ulid } from 'ulid';
import { expect } from 'chai';
import { duplicatePart, duplicateStep, newStep, pasteStep } from '../../../../src/core/scheme/authoring/edits';
import { dropped, type DragItem } from '../../../../src/islands/Scheme/strips/SchemeDrag';
import { part, scheme, step } from '../../../support/units';

const steps = ['a', 'b', 'c'].map((id) => step('layer', { id, coverage: 0.1 }));
const coat = { ...part('Coat', ...steps), surface: 0.2 };
const cap = { ...part('Cap', step('basecoat', { id: 'd' })), surface: 0.1 };
const belt = part('Belt');
const before = scheme([coat, cap, belt], [step('wash', { id: 'w' })]);

const of = (id: string, strip: string | null): DragItem => ({ kind: 'step', step: id, strip });
const ids = (after: typeof before) => [...after.parts, { steps: after.allOver }].map((each) => each.steps.map(({ id }) => id).join(''));

describe('carrying parts and steps', () => {
  it('puts a step where it is let go, forward and back in its strip', () => {
    expect(ids(dropped(before, of('a', coat.id), of('c', coat.id)))[0]).to.equal('bca');
    expect(ids(dropped(before, of('c', coat.id), of('a', coat.id)))[0]).to.equal('cab');
    expect(ids(dropped(before, of('a', coat.id), of('b', coat.id)))[0]).to.equal('bac');
  });

  it('carries a step to another part, before the one it lies on or to the end', () => {
    expect(ids(dropped(before, of('b', coat.id), of('d', cap.id)))).to.deep.equal(['ac', 'bd', '', 'w']);
    expect(ids(dropped(before, of('b', coat.id), { kind: 'strip end', strip: belt.id }))).to.deep.equal(['ac', 'd', 'b', 'w']);
    expect(ids(dropped(before, of('b', coat.id), { kind: 'strip end', strip: null }))).to.deep.equal(['ac', 'd', '', 'wb']);
  });

  it('carries a part to the place of another', () => {
    const to = (carried: string, under: string) =>
      dropped(before, { kind: 'part', part: carried }, { kind: 'part', part: under }).parts.map(({ name }) => name);
    expect(to(coat.id, belt.id)).to.deep.equal(['Cap', 'Belt', 'Coat']);
    expect(to(belt.id, coat.id)).to.deep.equal(['Belt', 'Coat', 'Cap']);
  });

  it('leaves all as it is where nothing can be put', () => {
    expect(dropped(before, of('a', coat.id), undefined)).to.equal(before);
    expect(dropped(before, of('a', coat.id), of('a', coat.id))).to.equal(before);
    expect(dropped(before, of('a', coat.id), { kind: 'part', part: cap.id })).to.equal(before);
  });
});

describe('steps and parts once more', () => {
  it('stand behind the first, under ids of their own', () => {
    const { scheme: after, step: copy } = duplicateStep(ulid, before, coat.id, steps[1]!);
    expect(after.parts[0]!.steps.map(({ id }) => id)).to.deep.equal(['a', 'b', copy.id, 'c']);
    const twice = duplicatePart(ulid, before, coat);
    expect(twice.parts.map(({ name }) => name)).to.deep.equal(['Coat', 'Coat 2', 'Cap', 'Belt']);
    expect(new Set(twice.parts.flatMap((each) => each.steps.map(({ id }) => id))).size).to.equal(7);
  });

  it('are as large on another part as they were on their own', () => {
    const after = pasteStep(ulid, before, steps[0]!, coat, [cap.id, belt.id]);
    expect(after.parts[1]!.steps[1]!.coverage).to.be.closeTo(0.05, 1e-9);
    expect(after.parts[2]!.steps).to.have.lengthOf(1);
    expect(after.parts[0]!.steps).to.have.lengthOf(3);
  });

  it('begin as large as their part, highlights a third of it', () => {
    expect(newStep(ulid, 'basecoat', null, false, coat).coverage).to.equal(0.2);
    expect(newStep(ulid, 'layer', null, false, coat).coverage).to.be.closeTo(0.2 / 3, 1e-9);
  });
});
