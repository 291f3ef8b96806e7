import { expect } from 'chai';
import { groupPaces, hitRate, minutesIntoSitting, stageMinutes, stageOf, type ForetoldRow } from '../../../../src/core/time/check/insights';
import { Random, seeds } from '../../../support/random';
import { logged } from '../../../support/time';

const foretold = (actual: number, part = 'Coat'): ForetoldRow => ({
  row: logged(1, { part }),
  actual,
  prediction: { p10: 8, p50: 10, p80: 12, p90: 13 },
});

describe('what the log shows', () => {
  it('counts how many safe figures and intervals held', () => {
    expect(hitRate([7, 9, 12, 12.5, 20].map((actual) => foretold(actual)))).to.deep.equal({ rows: 5, safe: 3, inside: 3 });
    expect(hitRate([])).to.deep.equal({ rows: 0, safe: 0, inside: 0 });
  });

  it('calls a difference clear only where it is more than chance', () => {
    const random = new Random(6);
    const rows = seeds(200).map((index) =>
      foretold(10 * Math.exp(0.4 * (random.uniform() - 0.5)) * (index % 4 === 0 ? 1.3 : 1), `Part ${index % 4}`),
    );
    const groups = groupPaces(rows, ({ row }) => row.part);
    const slow = groups.find(({ name }) => name === 'Part 0')!;
    expect(slow.isClear).to.equal(true);
    expect(slow.more).to.be.within(0.15, 0.3);
    const even = seeds(400).map((index) => foretold(10 * Math.exp(0.4 * (random.uniform() - 0.5)), `Part ${index % 4}`));
    expect(groupPaces(even, ({ row }) => row.part).filter(({ isClear }) => isClear)).to.deep.equal([]);
  });

  it('leaves groups of a few rows out', () => {
    expect(
      groupPaces(
        seeds(7).map(() => foretold(30)),
        () => 'few',
      ),
    ).to.deep.equal([]);
  });

  it('adds hours up by stage, without what is left out', () => {
    expect(
      ['clean', 'texture', 'prime', 'basecoat', 'wash', 'layer', 'varnish'].map((technique) =>
        stageOf({ technique: technique as 'clean' }),
      ),
    ).to.deep.equal(['build', 'build', 'base', 'base', 'base', 'tail', 'tail']);
    const rows = [
      logged(1, { minutes: 5 }),
      logged(1, { technique: 'edge', minutes: 7 }),
      logged(1, { technique: 'edge', minutes: 70, verdict: 'left out' }),
    ];
    expect(stageMinutes(rows)).to.deep.equal({ build: 0, base: 5, tail: 7 });
  });

  it('knows how far into its sitting a row was begun', () => {
    const at = (time: string) => logged(1, { startedAt: `2026-11-20T${time}:00Z`, minutes: 10 });
    expect(minutesIntoSitting([at('18:00'), at('18:30'), at('20:00'), at('23:59')])).to.deep.equal([0, 30, 120, 359]);
    expect(minutesIntoSitting([at('08:00'), at('18:30')])).to.deep.equal([0, 0]);
  });
});
