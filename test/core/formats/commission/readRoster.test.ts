import { expect } from 'chai';
import { InputError } from '../../../../src/core/kernel/InputError';
import { guessColumns, readRoster, unitsOf } from '../../../../src/core/formats/commission/readRoster';

describe('a roster as CSV', () => {
  const csv = [
    'Unit;How many;Size;Remark',
    'Keepers;20;foot;',
    'Cutters;18;Foot figure;"with, comma"',
    'Boats;0;vehicle;',
    ';5;;',
    'keepers;3;;',
    'Ponies;ten;mounted;',
    'Geese;14;bird;',
    '',
    'Crew;8;;',
  ].join('\n');
  const table = readRoster(csv);

  it('knows its columns by their titles, and takes others where they are chosen', () => {
    expect(guessColumns(table.header)).to.deep.equal({ name: 0, models: 1, size: 2 });
    expect(guessColumns(['a', 'b'])).to.deep.equal({ name: 0, models: null, size: null });
    const other = unitsOf(readRoster('x,y\n12,Keepers'), { name: 1, models: 0, size: null }, []);
    expect(other.units).to.deep.equal([{ name: 'Keepers', promised: 12, size: 'foot' }]);
  });

  it('takes the good rows, and says of the others the line, the column and what to do', () => {
    const { units, bad } = unitsOf(table, guessColumns(table.header), ['Crew']);
    expect(units.map(({ name, promised, size }) => `${name} ${promised} ${size}`)).to.deep.equal(['Keepers 20 foot', 'Cutters 18 foot']);
    expect(bad.map(({ line, column, message }) => `${line} ${column} ${message}`)).to.deep.equal([
      '4 How many is "0": give a whole number from 1 to 1000',
      '5 Unit is empty: name the unit',
      '6 Unit is "keepers", which is there already: give every unit a name of its own',
      '7 How many is "ten": give a whole number from 1 to 1000',
      '8 Size is "bird": give one of tiny, foot, heavy, mounted, vehicle, large, scenery, or leave it empty for foot',
      '10 Unit is "Crew", which is there already: give every unit a name of its own',
    ]);
  });

  it('takes rows without a header, and knows what each column is by what stands in it', () => {
    const rows = readRoster('Keepers\t10\nBoats\t6\tvehicle\n');
    expect(rows.header).to.deep.equal(['name', 'models', 'size']);
    expect(unitsOf(rows, guessColumns(rows.header), []).units).to.deep.equal([
      { name: 'Keepers', promised: 10, size: 'foot' },
      { name: 'Boats', promised: 6, size: 'vehicle' },
    ]);
    expect(readRoster('1;foot;Rower;spare').header).to.deep.equal(['models', 'size', 'name', 'column 4']);
  });

  it('says what a file lacks', () => {
    expect(() => readRoster('')).to.throw(InputError, /give a list of units with a header/);
    expect(() => readRoster(`name\n${'x\n'.repeat(501)}`)).to.throw(InputError, /at most 500 units/);
  });
});
