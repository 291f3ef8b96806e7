import { expect } from 'chai';
import { benchLine } from '../../../../src/core/bench/guide/benchLine';
import { idleClock } from '../../../../src/core/bench/replay/foldClock';
import { noMarks } from '../../../../src/core/bench/replay/foldMarks';
import { openPotUses } from '../../../../src/core/bench/guide/openPot';
import { BenchReadiness } from '../../../../src/core/bench/guide/readiness';
import { paint, part, roster, step, unit } from '../../../support/units';

const MINUTE = 60_000;
const NOW = 1000 * MINUTE;

describe('an open pot', () => {
  const paints = new Map([paint('red'), paint('blue')].map((each) => [each.id, each]));
  const keepers = unit(
    'Keepers',
    [part('shirt', step('basecoat', { id: 'base', paint: 'red' }), step('layer', { id: 'layer', paint: 'red' }))],
    [],
    {
      promised: 4,
    },
  );
  const cutters = unit(
    'Cutters',
    [part('hood', step('basecoat', { id: 'hood', paint: 'blue' }), step('edge', { id: 'edge', paint: 'red' }))],
    [],
    {
      promised: 3,
    },
  );
  const line = benchLine(roster([keepers, cutters], { paints }), []);
  const mark = (minutesAgo: number) => ({
    at: NOW - minutesAgo * MINUTE,
    dryMinutes: 15,
    handleMinutes: 0,
    setupId: 'basecoat|red',
  });
  const uses = (marks: [string, [number, number][]][]) => {
    const state = {
      ...noMarks(),
      marks: new Map(marks.map(([pass, models]) => [pass, new Map(models.map(([model, ago]) => [model, mark(ago)]))])),
    };
    return openPotUses(line, new BenchReadiness(line, [], state as never, idleClock()), 'red', NOW).map(
      ({ unitName, what, ready, soon, soonAt }) => ({
        unitName,
        what,
        ready,
        soon,
        inMinutes: soonAt === null ? null : (soonAt - NOW) / MINUTE,
      }),
    );
  };

  it('serves what may be painted at once, in every unit', () => {
    expect(uses([])).to.deep.equal([{ unitName: 'Keepers', what: 'Base coat, shirt', ready: 4, soon: 0, inMinutes: null }]);
  });

  it('serves what may be painted after one drying, and says from when', () => {
    const [first, second, third] = uses([
      [
        'base#1',
        [
          [1, 30],
          [2, 5],
        ],
      ],
      ['hood#1', [[1, 2]]],
    ]);
    expect(first).to.deep.equal({ unitName: 'Keepers', what: 'Base coat, shirt', ready: 2, soon: 0, inMinutes: null });
    expect(second).to.deep.equal({ unitName: 'Keepers', what: 'Layer, shirt', ready: 1, soon: 1, inMinutes: 10 });
    expect(third).to.deep.equal({ unitName: 'Cutters', what: 'Edge line, hood', ready: 0, soon: 1, inMinutes: 13 });
  });
});
