import { expect } from 'chai';
import fc from '../../../support/property';
import { InputError } from '../../../../src/core/kernel/InputError';
import { guessPaintColumns, paintsOf, readPaintList, writePaintList, writePalette } from '../../../../src/core/formats/paint/paintList';
import { UNKNOWN_POT } from '../../../../src/core/paint/shelf';

const read = (text: string) => {
  const table = readPaintList(text);
  return paintsOf(table, guessPaintColumns(table.header));
};

describe('a list of paints', () => {
  it('is read from CSV, cells of a spreadsheet and a palette', () => {
    const csv = 'Paint;Hex;Type;Maker;Volume;Level;Rack\nSea;#1178B8;;Saltmere;17 ml;4,5;A1\nBog wash;3b2a1c;Wash;;;;\n';
    const { paints, bad } = read(csv);
    expect(bad).to.deep.equal([]);
    expect(paints[0]).to.deep.equal({ name: 'Sea', hex: '#1178b8', kind: 'opaque', dryMinutes: null, maker: 'Saltmere', volumeMl: 17, leftMl: 4.5, place: 'A1' }); // prettier-ignore
    expect(paints[1]).to.include({ name: 'Bog wash', hex: '#3b2a1c', kind: 'wash', volumeMl: null, leftMl: null });
    expect(read('name\tcolour\nFoam\tivory\n').paints[0]).to.include({ name: 'Foam', hex: '#fffff0' });
    const palette = 'GIMP Palette\nName: Coast\nColumns: 4\n# made by us\n 17 120 184\tSea\n255 255 240\n';
    expect(read(palette).paints.map(({ name, hex }) => [name, hex])).to.deep.equal([
      ['Sea', '#1178b8'],
      ['Colour #fffff0', '#fffff0'],
    ]);
  });

  it('says of every row what is wrong with which value', () => {
    const { paints, bad } = read('name,colour,kind,volume\n,#000000,,\nA,blueish,,\nB,#000000,gloss,\nC,#000000,,-3\nD,#000000,,5\n');
    expect(paints.map(({ name }) => name)).to.deep.equal(['D']);
    expect(bad.map(({ line, column, message }) => `${line} ${column} ${message}`)).to.deep.equal([
      '2 name is empty: name the paint',
      '3 colour is "blueish": give a colour as #a1b2c3',
      '4 kind is "gloss": give one of opaque, translucent, wash, ink, metallic, primer, powder, effect, texture, varnish, or leave it empty for opaque',
      '5 volume is "-3": give millilitres from 0 to 5000',
    ]);
    expect(read('GIMP Palette\n1 2\n300 0 0 Too red\n1 2 3 Fine\n').bad.map(({ line }) => line)).to.deep.equal([2, 3]);
    expect(() => readPaintList('name,colour\n')).to.throw(InputError, /give paints with a header/);
  });

  it('comes back as it was written, whatever the names are', () => {
    const name = fc.string({ minLength: 1, maxLength: 20 }).map((text) => text.trim()).filter((text) => /^[^=+\-@\t\r\n'][^\n\r]*$/.test(text)); // prettier-ignore
    const paint = fc.record({ name, hex: fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, '0')}`) });
    fc.assert(
      fc.property(fc.array(paint, { minLength: 1, maxLength: 8 }), (all) => {
        const shelf = all.map((each, index) => ({
          ...UNKNOWN_POT,
          ...each,
          id: `p${index}`,
          kind: 'wash' as const,
          volumeMl: 17,
          place: 'A1',
        }));
        const { paints, bad } = read(writePaintList(shelf, { p0: 3.25 }));
        expect(bad).to.deep.equal([]);
        expect(paints.map(({ name: own, hex, kind, volumeMl, place }) => [own, hex, kind, volumeMl, place])).to.deep.equal(
          shelf.map(({ name: own, hex, kind, volumeMl, place }) => [own, hex, kind, volumeMl, place]),
        );
        expect(paints[0]!.leftMl).to.equal(3.3);
        expect(read(writePalette(shelf)).paints.map(({ hex }) => hex)).to.deep.equal(shelf.map(({ hex }) => hex));
      }),
    );
    expect(writePaintList([{ ...UNKNOWN_POT, id: 'x', name: '=1+1', hex: '#000000', kind: 'opaque' }], {})).to.include("'=1+1");
  });
});
