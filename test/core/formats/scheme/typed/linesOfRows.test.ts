import { expect } from 'chai';
import fc from '../../../../support/property';
import { isRows, linesOfRows } from '../../../../../src/core/formats/scheme/typed/linesOfRows';
import { readSchemeLines } from '../../../../../src/core/formats/scheme/typed/readLines';
import { SHARE_NAMES } from '../../../../../src/core/scheme/model/shares';
import { paint } from '../../../../support/units';

const none = { paints: [] };

describe('rows of a spreadsheet as typed lines', () => {
  it('joins technique, paint and coats from their cells, in either order', () => {
    expect(
      linesOfRows('Part\tShare\tTechnique\tPaint\tCoats\nCoat\tlarge\tbase\tSea blue\t2\n\t\tlayer\tFoam\t1\nBoots\t\tTar\tbase', none),
    ).to.equal('Coat, large: base Sea blue x2, layer Foam\nBoots: base Tar');
  });

  it('takes a cell that holds a whole step, and names with a tab at the end', () => {
    expect(linesOfRows('Coat\tbase Sea blue x2\tedge Foam\t', none)).to.equal('Coat: base Sea blue x2, edge Foam');
  });

  it('knows a paint that is called like a technique by where it stands', () => {
    const common = [{ ...paint('sand'), name: 'Sand' }];
    expect(linesOfRows('Hull\tdry brush\tSand\tsand\tSand', { paints: [], common })).to.equal('Hull: dry brush Sand, sand Sand');
  });

  it('leaves what it does not understand in the text', () => {
    expect(linesOfRows('Coat\tsparkle', none)).to.equal('Coat: sparkle');
    expect([isRows('Coat: base'), isRows('Coat\tbase')]).to.deep.equal([false, true]);
  });

  it('reads back whatever was in the rows', () => {
    const row = fc.record({
      part: fc.constantFrom('Coat', 'Boots', 'Hat'),
      share: fc.constantFrom(...SHARE_NAMES, ''),
      technique: fc.constantFrom('base', 'layer', 'edge line', 'dry brush'),
      paint: fc.constantFrom('Foam', 'Sea blue'),
      coats: fc.integer({ min: 1, max: 9 }),
    });
    const paints = [
      { ...paint('foam'), name: 'Foam' },
      { ...paint('sea'), name: 'Sea blue' },
    ];
    fc.assert(
      fc.property(fc.array(row, { minLength: 1, maxLength: 8 }), (rows) => {
        const text = rows.map((each) => [each.part, each.share, each.technique, each.paint, each.coats].join('\t')).join('\n');
        const { lines, problems } = readSchemeLines(linesOfRows(text, { paints }), { paints });
        expect(problems).to.deep.equal([]);
        expect(lines.flatMap((line) => line.steps.map((step) => [line.part, step.paint?.name, step.coats]))).to.deep.equal(
          rows.map((each) => [each.part, each.paint, each.coats]),
        );
      }),
      { seed: 20261201, numRuns: 200 },
    );
  });
});
