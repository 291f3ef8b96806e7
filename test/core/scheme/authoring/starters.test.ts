import { expect } from 'chai';
import { checkScheme } from '../../../../src/core/formats/scheme/checkScheme';
import { SIZES } from '../../../../src/core/scheme/model/definitions';
import { buildLine } from '../../../../src/core/plan/build/buildLine';
import { commonPaints, schemeOfStarter, startersFor, STARTERS } from '../../../../src/core/scheme/authoring/starters';
import { roster, unit } from '../../../support/units';
import { inARow } from '../../../../src/core/scheme/authoring/dealOut';

describe('a scheme to start from', () => {
  for (const starter of STARTERS) {
    it(`is a plan as it stands: ${starter.name}`, () => {
      let ids = 0;
      const { scheme, paints } = schemeOfStarter(starter, () => `id${++ids}`);
      const shelf = new Map(paints.map((paint) => [paint.id, paint]));
      checkScheme(scheme, { field: '', models: inARow(20), taken: new Set(), isPaint: (id) => shelf.has(id) });
      const made = { ...unit('starter', [], [], { promised: 20, size: starter.sizes[0]! }), scheme };
      const { jobs } = buildLine(roster([made], { paints: shelf, standard: 'table' }));
      expect(jobs.length).to.be.at.least(10);
      expect(
        jobs.filter((job) => job.setupId.includes('|-|')),
        'steps without a paint',
      ).to.deep.equal([]);
    });
  }

  it('is offered by size, all of them for every size', () => {
    expect(startersFor('vehicle')[0]!.name).to.equal('Small vehicle');
    for (const size of SIZES) expect(startersFor(size)).to.have.length(STARTERS.length);
  });

  it('uses colours of a shelf of thirty, each with a name of its own', () => {
    let ids = 0;
    const shelf = commonPaints(() => `p${++ids}`);
    expect(new Set(shelf.map((paint) => paint.name)).size).to.equal(30);
    const names = new Set(shelf.map((paint) => paint.name));
    for (const starter of STARTERS)
      for (const paint of schemeOfStarter(starter, () => 'x').paints) expect(names.has(paint.name), paint.name).to.equal(true);
  });
});
