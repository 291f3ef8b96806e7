import { expect } from 'chai';
import fc from '../../support/property';
import { sortRows, type SortValue } from '../../../src/core/kernel/sortRows';

describe('rows sorted by a value', () => {
  const same = (value: SortValue) => value;

  it('goes by number, and by name with the numbers in it', () => {
    expect(sortRows([10, 9, -1], same, false)).to.deep.equal([-1, 9, 10]);
    expect(sortRows(['Boat 10', 'boat 9', 'Arm'], same, false)).to.deep.equal(['Arm', 'boat 9', 'Boat 10']);
    expect(sortRows(['a', 'b'], same, true)).to.deep.equal(['b', 'a']);
    expect(sortRows<string | number>(['a', 10, '9', 11], same, false)).to.deep.equal(['9', 10, 11, 'a']);
  });

  it('leaves what is not known last, either way, and rows of one value as they stood', () => {
    const rows = [
      { id: 1, of: null },
      { id: 2, of: 5 },
      { id: 3, of: 1 },
      { id: 4, of: 5 },
      { id: 5, of: undefined },
    ];
    const ids = (isDown: boolean) => sortRows(rows, ({ of }) => of, isDown).map(({ id }) => id);
    expect(ids(false)).to.deep.equal([3, 2, 4, 1, 5]);
    expect(ids(true)).to.deep.equal([2, 4, 3, 1, 5]);
  });

  it('loses no row and is sorted, whatever the values', () => {
    fc.assert(
      fc.property(fc.array(fc.option(fc.double({ noNaN: true }))), fc.boolean(), (values, isDown) => {
        const sorted = sortRows(values, same, isDown) as (number | null)[];
        expect(sorted).to.have.members(values);
        const known = sorted.filter((value) => value !== null);
        expect(sorted.slice(known.length).every((value) => value === null)).to.equal(true);
        for (let at = 1; at < known.length; at++) expect((known[at]! - known[at - 1]!) * (isDown ? -1 : 1)).to.be.at.least(0);
      }),
      { seed: 20261201 },
    );
  });
});
