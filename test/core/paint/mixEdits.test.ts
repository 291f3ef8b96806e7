import { expect } from 'chai';
import { Mixer } from '../../../src/core/colour/mixing';
import { balanced, colourAt } from '../../../src/core/colour/picked';
import { linearOf } from '../../../src/core/colour/linearRgb';
import { differenceOf, labOf } from '../../../src/core/colour/difference';
import { isFaint } from '../../../src/core/paint/contrast';
import { highlightThatShows } from '../../../src/core/paint/highlightThatShows';
import { addMarks, addMix, addRamp } from '../../../src/core/paint/mixEdits';
import { rampOf } from '../../../src/core/paint/ramp';
import { EMPTY_SCHEME, type Scheme } from '../../../src/core/scheme/model/definitions';
import { checkScheme } from '../../../src/core/formats/scheme/checkScheme';
import { potsOf } from '../../../src/core/scheme/model/pots';
import { part, step, unit } from '../../support/units';

const mixer = new Mixer();
const dark = { id: 'mussel', name: 'Mussel', hex: '#2b3a5c', kind: 'opaque' as const, dryMinutes: null };
const light = { id: 'foam', name: 'Foam', hex: '#f4f3ec', kind: 'opaque' as const, dryMinutes: null };
const shelf = new Map([dark, light].map((paint) => [paint.id, paint]));
let nr = 0;
const newId = () => `new-${nr++}`;
const jumper = part('jumper', step('basecoat', { id: 'base', paint: 'mussel' }));
const scheme: Scheme = { ...EMPTY_SCHEME, parts: [jumper] };
const check = (of: Scheme, models = [1, 2, 3, 4, 5, 6]) =>
  checkScheme(of, { field: '', models, taken: new Set(), isPaint: (id) => shelf.has(id) || id.startsWith('p') });

describe('a ramp in a scheme', () => {
  it('has the colours that were shown, as a chain and mixed fresh, with a step for each', () => {
    const steps = rampOf(dark, light, { steps: 3, mostDrops: 8, reach: 0.6 }, mixer);
    for (const isChain of [false, true]) {
      const next = addRamp(newId, scheme, { dark, light, steps, isChain, partId: jumper.id });
      check(next);
      const pots = potsOf(next, shelf, mixer);
      expect(next.mixes.map(({ id }) => pots.get(id)!.hex)).to.deep.equal(steps.map(({ hex }) => hex));
      expect(next.parts[0]!.steps.map(({ technique }) => technique)).to.deep.equal(['basecoat', 'layer', 'layer', 'edge']);
      expect(next.mixes.some(({ of }) => of.some((share) => 'mix' in share))).to.equal(isChain);
    }
    expect(addRamp(newId, scheme, { dark, light, steps, isChain: false, partId: null }).parts).to.deep.equal(scheme.parts);
    expect(addMix(newId, scheme, 'Found', [['mussel', 2], ['foam', 1]]).mix.of).to.deep.equal([{ paint: 'mussel', parts: 2 }, { paint: 'foam', parts: 1 }]); // prettier-ignore
  });
});

describe('marks in a scheme', () => {
  const squads = ['one', 'two'].map((id, index) => ({
    id,
    name: `Squad ${id}`,
    kind: 'squad' as const,
    models: [index * 2 + 1, index * 2 + 2],
    standard: null,
    factor: null,
  }));
  const of = { ...unit('crew', []), promised: 6 };

  it('give every model exactly one option, those in no squad the usual paint, and are replaced when they are chosen again', () => {
    const before = { ...scheme, groups: squads };
    const marked = addMarks(newId, before, of, 'base', 'Marks', [{ groupId: 'one', paint: 'p1' }, { groupId: 'two', paint: 'p2' }]); // prettier-ignore
    check(marked);
    const [variant] = marked.variants;
    expect(variant!.options.map(({ name, models }) => [name, models])).to.deep.equal([
      ['Squad one', [1, 2]],
      ['Squad two', [3, 4]],
      ['no squad', [5, 6]],
    ]);
    expect(marked.parts[0]!.steps[0]!.paintFor.map((other) => 'paint' in other && other.paint)).to.deep.equal(['p1', 'p2']);
    const again = addMarks(newId, marked, of, 'base', 'Marks', [{ groupId: 'one', paint: 'p3' }, { groupId: 'two', paint: 'p4' }]); // prettier-ignore
    check(again);
    expect(again.variants.length).to.equal(1);
    expect(again.variants[0]!.id).to.equal(variant!.id);
    expect(again.parts[0]!.steps[0]!.paintFor.map((other) => 'paint' in other && other.paint)).to.deep.equal(['p3', 'p4']);
  });
});

describe('a highlight that hardly shows', () => {
  it('is told with the mix that would', () => {
    const near = { ...dark, id: 'near', name: 'Near', hex: '#32436a' };
    const faintPart = { ...jumper, steps: [jumper.steps[0]!, step('layer', { id: 'over', paint: 'near' })] };
    const paintOf = (each: { paint: string | null }) => [dark, near, light].find(({ id }) => id === each.paint) ?? null;
    const faint = isFaint(faintPart, faintPart.steps[1]!, paintOf)!;
    expect(faint.difference).to.be.below(8);
    const showing = highlightThatShows(faint.base, near, [dark, near, light], 8, mixer)!;
    expect(showing.difference).to.be.at.least(8);
    const hex = mixer.hexOf(showing.parts.map(([id, parts]) => ({ pigment: [dark, near, light].find((each) => each.id === id)!, parts })));
    expect(differenceOf(labOf(hex), labOf(dark.hex))).to.be.closeTo(showing.difference, 0.5);
    expect(isFaint(faintPart, faintPart.steps[0]!, paintOf)).to.equal(null);
    expect(highlightThatShows(faint.base, light, [dark, near, light], 8, mixer)).to.equal(null);
  });
});

describe('a colour picked from a picture', () => {
  const pixels = (width: number, height: number, at: (x: number, y: number) => [number, number, number]) => ({
    width,
    height,
    data: Uint8ClampedArray.from(
      Array.from({ length: width * height }, (_, index) => [...at(index % width, Math.floor(index / width)), 255]).flat(),
    ),
  });

  it('is the mean around the point, in light that a grey patch makes neutral', () => {
    const picture = pixels(20, 10, (x) => (x < 10 ? [120, 128, 90] : [200, 60, 40]));
    expect(balanced(colourAt(picture, 15, 5), null)).to.equal('#c83c28');
    const grey = colourAt(picture, 3, 5);
    const [r, g, b] = linearOf(balanced(grey, grey));
    expect(r).to.be.closeTo(g, 0.005);
    expect(g).to.be.closeTo(b, 0.005);
    // At the edge what lies outside is left out.
    expect(balanced(colourAt(picture, 19, 0), null)).to.equal('#c83c28');
  });
});
