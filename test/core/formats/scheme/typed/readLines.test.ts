import { expect } from 'chai';
import { withSchemeLines } from '../../../../../src/core/formats/scheme/typed/addLines';
import { readSchemeLines } from '../../../../../src/core/formats/scheme/typed/readLines';
import { EMPTY_SCHEME } from '../../../../../src/core/scheme/model/definitions';
import { paint, part, scheme, step } from '../../../../support/units';

const named = (id: string, name: string) => ({ ...paint(id), name });
const shelf = [
  named('sea', 'Sea blue'),
  named('foam', 'Foam'),
  named('tar', 'Tar'),
  named('tarred', 'Tarred rope'),
  named('bog', 'Bog wash'),
];
const mixes = [{ id: 'lift', name: 'Lifted, once', of: [{ paint: 'sea', parts: 2 }], thin: null }];
const who = [
  { id: 'boss', name: 'leader' },
  { id: 'tan', name: 'tan boots' },
];
const common = [named('c-red', 'Red'), named('c-foam', 'Foam white')];
let ids = 0;
const newId = () => `id${++ids}`;
const read = (text: string) => readSchemeLines(text, { paints: shelf, mixes, who, common });

describe('a scheme typed as lines', () => {
  it('is parts, techniques and paints', () => {
    const { lines, problems } = read('Coat: base Sea blue x2, layer Foam, edge\n\nOver everything: prime, wash Bog\n');
    expect(problems).to.deep.equal([]);
    expect(lines.map((line) => [line.part, line.steps.map((each) => [each.technique, each.paint?.id ?? null, each.coats])])).to.deep.equal([
      [
        'Coat',
        [
          ['basecoat', 'sea', 2],
          ['layer', 'foam', 1],
          ['edge', null, 1],
        ],
      ],
      [
        null,
        [
          ['prime', null, 1],
          ['wash', 'bog', 1],
        ],
      ],
    ]);
  });

  it('says how large each part is, and of one that is there already too', () => {
    const { lines } = read('Eye, dot: detail Foam\nCoat, 8 %: layer Foam\nOver Coat and Eye: wash Bog');
    expect(lines.map(({ part, surface }) => [part, surface])).to.deep.equal([
      ['Eye', 0.005],
      ['Coat', 0.08],
      [null, null],
    ]);
    const coat = { ...part('Coat', step('basecoat', { coverage: 0.3 })), surface: 0.3 };
    const made = withSchemeLines(scheme([coat]), lines, newId);
    expect(made.parts.map(({ name, surface }) => [name, surface])).to.deep.equal([
      ['Coat', 0.08],
      ['Eye', 0.005],
    ]);
    expect(made.parts.map(({ steps }) => steps.map(({ coverage }) => coverage))).to.deep.equal([[0.08, 0.08 / 3], [0.005]]);
  });

  it('enters a job of thirty parts in some thirty keys a part, each as large as it was said', () => {
    const sizes = ['dot', 'small', 'medium', 'large'];
    const text = Array.from({ length: 30 }, (_, index) => `Part ${index + 1}, ${sizes[index % 4]}: base Sea, layer Foam`).join('\n');
    expect(text.length / 30).to.be.below(40);
    const { lines, problems } = read(text);
    expect(problems).to.deep.equal([]);
    const made = withSchemeLines(EMPTY_SCHEME, lines, newId);
    expect(made.parts).to.have.length(30);
    expect(made.parts.map(({ surface, steps }) => [surface, steps[0]!.coverage])).to.deep.equal(
      made.parts.map((_, index) => [0.005, 0.03, 0.1, 0.25][index % 4]!).map((share) => [share, share]),
    );
  });

  it('knows techniques by their short and their long names', () => {
    const techniques = read('A: Base coat Foam, dry brush Foam, drybrush Foam, edge line Foam, dark lining Foam, transfer, varnish')
      .lines[0]!.steps;
    expect(techniques.map(({ technique }) => technique)).to.deep.equal([
      'basecoat',
      'drybrush',
      'drybrush',
      'edge',
      'lining',
      'decal',
      'varnish',
    ]);
  });

  it('takes a paint by the beginning of its name only where one begins so', () => {
    const [first, second, third] = read('A: base Sea, base Tar, base T').lines[0]!.steps;
    expect([first!.paint?.id, second!.paint?.id, third!.paint]).to.deep.equal(['sea', 'tar', null]);
    expect(third!.unknownPaints).to.deep.equal(['T']);
  });

  it('names what it does not understand by its line, and takes the rest', () => {
    const { lines, problems } = read('base Sea blue\nCoat: sparkle Foam, base Sea x20, layer Foam');
    expect(problems.map(({ line }) => line)).to.deep.equal([1, 2, 2]);
    expect(problems[0]!.message).to.match(/names no part/);
    expect(problems[1]!.message).to.match(/"sparkle Foam" has no technique/);
    expect(problems[2]!.message).to.match(/20 coats: give 1 to 10/);
    expect(lines[0]!.steps).to.have.lengthOf(1);
  });

  it('joins the scheme: new parts on the outside, more steps on parts that are there', () => {
    const coat = { ...part('Coat', step('basecoat', { id: 'base' })), surface: 0.3 };
    const { lines } = read('coat: layer Foam\nBoots: base Tar, base Nothing at all');
    const joined = withSchemeLines(scheme([coat]), lines, newId);
    expect(joined.parts.map((each) => [each.name, each.steps.map(({ technique }) => technique)])).to.deep.equal([
      ['Coat', ['basecoat', 'layer']],
      ['Boots', ['basecoat', 'basecoat']],
    ]);
    expect(joined.parts[0]!.steps[1]!.coverage).to.be.closeTo(0.1, 1e-9);
    expect(joined.parts[1]!.steps[1]).to.include({ paint: null, note: 'Nothing at all' });
    expect(withSchemeLines(EMPTY_SCHEME, read('all: wash Bog').lines, newId).allOver[0]).to.include({ technique: 'wash', coverage: 1 });
  });

  it('says for whom a step is, in either order with its coats, by one name or several', () => {
    const steps = read('A: layer Foam for leaders x2, edge Foam x3 without leader and tan boots, wash Bog for nobody').lines[0]!.steps;
    expect(steps.map((each) => [each.coats, each.for, each.unknownWho])).to.deep.equal([
      [2, { only: ['boss'] }, []],
      [3, { without: ['boss', 'tan'] }, []],
      [1, { only: [] }, ['nobody']],
    ]);
  });

  it('takes a mix by its name or by its shares, and makes each that is new once', () => {
    const { lines, problems } = read('A: base Lifted, once\nB: base 2 Sea blue + Foam, layer 2 parts Sea + Foam, edge Foam + Nothing');
    // A comma separates steps: a mix with one in its name is found by its beginning.
    expect(problems).to.have.length(1);
    expect(lines[0]!.steps[0]!.mix).to.equal(mixes[0]);
    const steps = lines[1]!.steps;
    expect(steps[0]!.mix).to.deep.equal({
      name: '2 Sea blue + Foam',
      of: [
        { paint: 'sea', parts: 2 },
        { paint: 'foam', parts: 1 },
      ],
    });
    expect(steps[2]).to.deep.include({ paint: null, unknownPaints: ['Nothing'] });
    const made = withSchemeLines(EMPTY_SCHEME, [lines[1]!], newId);
    expect(made.mixes).to.have.length(1);
    expect(made.parts[0]!.steps.map(({ mix }) => mix)).to.deep.equal([made.mixes[0]!.id, made.mixes[0]!.id, null]);
  });

  it('looks on the shelf first, then among common colours', () => {
    const [foam, red, other] = read('A: base Foam, base Re, base Ru').lines[0]!.steps;
    expect([foam!.paint?.id, red!.paint?.id, other!.unknownPaints]).to.deep.equal(['foam', 'c-red', ['Ru']]);
  });

  it('leaves a paint alone that is called after what it is for', () => {
    const [step] = readSchemeLines('A: base Red for sails', { paints: [named('sail', 'Red for sails')] }).lines[0]!.steps;
    expect(step).to.deep.include({ for: null, unknownWho: [] });
    expect(step!.paint?.id).to.equal('sail');
  });
});
