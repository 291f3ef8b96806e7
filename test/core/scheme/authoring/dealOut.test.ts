import { expect } from 'chai';
import { dealByRatio, fitRoster, inARow } from '../../../../src/core/scheme/authoring/dealOut';
import { passesOf } from '../../../../src/core/scheme/passes/passes';
import { modelFactors, standardOf } from '../../../../src/core/scheme/model/whoTakes';
import { DEFAULT_HOUSE_RULES } from '../../../../src/core/scheme/model/houseRules';
import { leaderGroup, part, scheme, step, unit } from '../../../support/units';

describe('dealing a variant out', () => {
  it('goes in turn by ratio', () => {
    expect(dealByRatio([2, 1], inARow(7))).to.deep.equal([
      [1, 2, 4, 5, 7],
      [3, 6],
    ]);
  });

  const boots = { id: 'v', name: 'Boots', options: [option('tan', [1, 2, 3, 4]), option('tar', [5, 6])] };
  function option(id: string, models: number[]) {
    return { id, name: id, models };
  }

  it('keeps what everybody has when models go, and gives new ones to who is furthest behind its share', () => {
    const groups = [leaderGroup(1), { ...leaderGroup(0), id: 'squad', models: [5, 6] }];
    const fewer = fitRoster({ groups, variants: [boots] }, inARow(5));
    expect(fewer.groups.map((group) => group.models)).to.deep.equal([[1], [5]]);
    expect(fewer.variants[0]!.options.map((each) => each.models)).to.deep.equal([[1, 2, 3, 4], [5]]);
    const more = fitRoster({ groups, variants: [boots] }, inARow(9));
    expect(more.variants[0]!.options.map((each) => each.models)).to.deep.equal([
      [1, 2, 3, 4, 7, 9],
      [5, 6, 8],
    ]);
  });
});

describe('groups', () => {
  const boss = { ...leaderGroup(1), standard: 'full' as const };
  it('lift or lower the standard of their models', () => {
    const eyes = step('eyes', { standard: 'full' });
    const keepers = unit('keepers', [part('face', eyes)], [], {
      promised: 3,
      scheme: scheme([part('face', eyes)], [], { groups: [boss, { ...boss, id: 'crew', models: [2], standard: 'quick' }] }),
    });
    expect([1, 2, 3].map((model) => standardOf(keepers.scheme, model, 'table'))).to.deep.equal(['full', 'quick', 'table']);
    expect(passesOf(keepers, 'table', DEFAULT_HOUSE_RULES).map((pass) => pass.models)).to.deep.equal([[1]]);
    expect(passesOf(keepers, 'full', DEFAULT_HOUSE_RULES).map((pass) => pass.models)).to.deep.equal([[1, 3]]);
  });

  it('take longer by their own factor, leaders by that of the house, the largest where a model is in several', () => {
    const groups = [leaderGroup(2), { ...boss, id: 'odd', kind: 'odd' as const, models: [2, 3], factor: 2 }];
    expect(modelFactors({ groups }, DEFAULT_HOUSE_RULES)).to.deep.equal([
      { models: [1], factor: DEFAULT_HOUSE_RULES.leaderFactor },
      { models: [2, 3], factor: 2 },
    ]);
  });
});
