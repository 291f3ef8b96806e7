import { expect } from 'chai';
import { checkScheme } from '../../../../src/core/formats/scheme/checkScheme';
import { adoptScheme } from '../../../../src/core/scheme/authoring/adoptScheme';
import { ONLY_LEADERS, paint, part, scheme, step } from '../../../support/units';
import { inARow } from '../../../../src/core/scheme/authoring/dealOut';

describe('a scheme from elsewhere', () => {
  const coat = part('coat', step('basecoat', { paint: 'sea', paintFor: [{ option: 'tar', paint: 'ink' }] }), step('layer', { mix: 'm' }));
  const given = {
    paints: [paint('sea'), { ...paint('ink'), name: 'Lamp black' }, paint('foam')],
    scheme: scheme([coat, { ...part('cap', step('detail', { ...ONLY_LEADERS, paint: 'foam' })), touches: ['part-coat'] }], [], {
      leaders: 2,
      mixes: [{ id: 'm', name: 'Lifted', of: [{ paint: 'sea', parts: 2 }], thin: null }],
      variants: [
        {
          id: 'v',
          name: 'Boots',
          options: [
            { id: 'tan', name: 'tan', models: [1, 2, 3] },
            { id: 'tar', name: 'tar', models: [4, 5, 6] },
          ],
        },
      ],
      rules: [{ first: coat.steps[0]!.id, then: coat.steps[1]!.id, minutesPerModel: 1, reason: 'as it is' }],
    }),
  };
  const shelf = [paint('sea'), { ...paint('mine'), name: 'lamp BLACK ' }];
  let ids = 0;
  const adopted = adoptScheme(given, shelf, inARow(4), () => `new${++ids}`);

  it('takes the paints of the shelf by id or name, and names those that it lacks', () => {
    expect(adopted.newPaints.map(({ name }) => name)).to.deep.equal(['Paint foam']);
    const [base] = adopted.scheme.parts[0]!.steps;
    expect(base).to.deep.include({ paint: 'sea', paintFor: [{ option: 'tar', paint: 'mine' }] });
    expect(adopted.scheme.parts[1]!.steps[0]!.paint).to.equal(adopted.newPaints[0]!.id);
  });

  it('has ids of its own, and still says of them what it said', () => {
    const [first, then] = adopted.scheme.parts[0]!.steps;
    expect(adopted.scheme.rules[0]).to.include({ first: first!.id, then: then!.id });
    expect(adopted.scheme.parts[1]!.touches).to.deep.equal([adopted.scheme.parts[0]!.id]);
    expect(first!.id).to.not.equal(coat.steps[0]!.id);
  });

  it('fits the models of the unit', () => {
    expect(adopted.scheme.variants[0]!.options.map((option) => option.models)).to.deep.equal([[1, 2, 3], [4]]);
    const paints = new Set([...shelf, ...adopted.newPaints].map(({ id }) => id));
    checkScheme(adopted.scheme, { field: '', models: inARow(4), taken: new Set(), isPaint: (id) => paints.has(id) });
  });
});
