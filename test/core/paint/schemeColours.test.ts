import { expect } from 'chai';
import { differenceOf, labOf } from '../../../src/core/colour/difference';
import { leastDifference, seenByAll } from '../../../src/core/colour/vision';
import { marksIn, marksStanding, neighbourColours, rampsIn } from '../../../src/core/paint/schemeColours';
import type { Paint, Variant } from '../../../src/core/scheme/model/definitions';
import { paint, part, step, unit } from '../../support/units';

const shelf = new Map<string, Paint>(
  [
    ['night', '#101828', 'opaque'],
    ['sea', '#2a4a80', 'opaque'],
    ['foam', '#a8c0e0', 'opaque'],
    ['tar', '#151515', 'wash'],
    ['red', '#c02020', 'opaque'],
    ['green', '#20a040', 'opaque'],
  ].map(([id, hex, kind]) => [id!, { ...paint(id!, kind as Paint['kind']), name: id!, hex: hex! }]),
);
const potOf = ({ paint: id }: { paint: string | null }) => shelf.get(id ?? '') ?? null;
const hex = (id: string) => shelf.get(id)!.hex;

describe('marks and ramps of a scheme', () => {
  const squads: Variant = { id: 'v', name: 'Marks', options: [{ id: 'a', name: 'North', models: [1] }, { id: 'b', name: 'South', models: [2] }] }; // prettier-ignore
  const badge = step('detail', { id: 'badge', paint: 'foam', paintFor: [{ option: 'a', paint: 'red' }, { option: 'b', paint: 'green' }] }); // prettier-ignore
  const marked = (variants: Variant[]) => {
    const made = unit('u', [{ ...part('coat', step('basecoat', { paint: 'sea' })), touches: ['part-badge'] }, { ...part('badge', badge), touches: ['part-coat'] }]); // prettier-ignore
    return { ...made, scheme: { ...made.scheme, variants } };
  };

  it('are told apart by every eye, and clear of what they touch', () => {
    const [found, ...others] = marksIn(marked([squads]), potOf);
    expect(others).to.deep.equal([]);
    expect(found!.marks.map(({ name, pot }) => [name, pot.name])).to.deep.equal([['North', 'red'], ['South', 'green']]); // prettier-ignore
    expect(found!.apart).to.equal(leastDifference(seenByAll(hex('red')), seenByAll(hex('green'))));
    expect(found!.clear).to.equal(Math.min(...['red', 'green'].map((id) => leastDifference(seenByAll(hex(id)), seenByAll(hex('sea'))))));
    expect(marksStanding(['#ff0000'], [])).to.equal(null);
    expect(marksStanding(['#ff0000', '#00ff00'], [])!.clear).to.equal(null);
  });

  it('are not what is only on trial', () => {
    expect(marksIn(marked([{ ...squads, trialOf: 'badge' }]), potOf)).to.deep.equal([]);
  });

  it('lie on the other colours of the part, of those it touches and of the one it is on', () => {
    const { scheme } = marked([squads]);
    const [coat, own] = scheme.parts;
    expect(neighbourColours(badge, own!, scheme, potOf)).to.deep.equal([hex('sea')]);
    expect(neighbourColours(badge, { ...own!, touches: null, on: coat!.id }, scheme, potOf)).to.deep.equal([hex('sea')]);
    expect(neighbourColours(badge, { ...own!, touches: null }, scheme, potOf)).to.deep.equal([]);
  });

  it('climb in opaque colours, the longest climb of a part', () => {
    const climbs = part(
      'cloak',
      step('eyes', { paint: 'tar' }),
      ...['red', 'night', 'tar', 'sea', 'foam', 'green'].map((id) => step('layer', { paint: id })),
      step('eyes', { paint: 'foam' }),
    );
    const [ramp, ...others] = rampsIn(
      unit('u', [climbs, part('cap', step('basecoat', { paint: 'night' }), step('layer', { paint: 'sea' }))]),
      potOf,
    );
    expect(others, 'two are no ramp').to.deep.equal([]);
    expect(ramp!.pots.map(({ name }) => name)).to.deep.equal(['night', 'sea', 'foam']);
    const apart = (a: string, b: string) => differenceOf(labOf(hex(a)), labOf(hex(b)));
    expect(ramp!.differences).to.deep.equal([apart('night', 'sea'), apart('sea', 'foam')]);
  });
});
