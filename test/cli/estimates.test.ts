import { expect } from 'chai';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { normMinutes } from '../../src/core/time/fit/norms';
import { runCommand, runInShell } from '../support/command';
import { temporaryFolder } from '../support/temporaryFolder';
import { Random } from '../support/random';

const HEADER = 'started_at,commission,unit,part,technique,size,coverage,models,minutes,setup_minutes,note';
const run = (...args: string[]) => runCommand('estimates', ...args);

describe('estimates from the command line', () => {
  const { folder, remove } = temporaryFolder();
  after(remove);
  const write = (name: string, lines: readonly string[]) => {
    mkdirSync(folder, { recursive: true });
    const file = path.join(folder, name);
    writeFileSync(file, `${lines.join('\n')}\n`);
    return file;
  };
  const random = new Random(2);
  const pace = 1.4;
  const rows = Array.from({ length: 60 }, (_, index) => {
    const at = new Date(Date.UTC(2026, 8, 1 + Math.floor(index / 3), 18, 20 * (index % 3))).toISOString();
    const minutes = pace * normMinutes('basecoat', 'foot', 0.2) * 10 * (0.9 + 0.2 * random.uniform());
    return `${at},Fair,Bakers,Part ${index % 10},basecoat,foot,0.2,10,${minutes.toFixed(2)},,`;
  });
  const log = () => write('log.csv', [HEADER, ...rows]);

  it('predicts every row from those before it, and says how good that was', async () => {
    const file = path.join(folder, 'rows.csv');
    const { stdout, status } = await run('backtest', log(), '--rows', file);
    expect(status).to.equal(0);
    const score = JSON.parse(stdout) as Record<string, number>;
    expect(score).to.have.all.keys('rows', 'medianApe', 'mape', 'bias', 'coverage80', 'baselines');
    expect(score['rows']).to.equal(60);
    expect(score['medianApe']).to.be.within(0, 0.2);
    const lines = readFileSync(file, 'utf8').trim().split('\n');
    expect(lines[0]).to.equal('row,p10,p50,p90');
    expect(lines).to.have.length(61);
    for (const line of lines.slice(1)) {
      const [, p10, p50, p90] = line.split(',').map(Number) as [number, number, number, number];
      expect(p10).to.be.lessThan(p50);
      expect(p50).to.be.lessThan(p90);
    }
    // What comes later changes no prediction.
    const shorter = path.join(folder, 'shorter.csv');
    await run('backtest', write('short.csv', [HEADER, ...rows.slice(0, 30)]), '--rows', shorter);
    expect(readFileSync(shorter, 'utf8').trim().split('\n')).to.deep.equal(lines.slice(0, 31));
  });

  it('forecasts the work of a file, the same for the same seed', async () => {
    const work = write('work.csv', [
      'commission,unit,part,technique,size,coverage,models',
      'Fair,Bakers,Part 3,basecoat,foot,0.2,10',
      'Fair,Bakers,New part,basecoat,foot,0.2,20',
    ]);
    const { stdout, status } = await run('forecast', log(), work, '--seed', '7');
    expect(status).to.equal(0);
    const forecast = JSON.parse(stdout) as Record<'p10' | 'p50' | 'p80' | 'p90' | 'p95', number> & { format: string };
    expect(forecast.format).to.equal('neat-relay/forecast@1');
    const values = [forecast.p10, forecast.p50, forecast.p80, forecast.p90, forecast.p95];
    expect(values).to.deep.equal(values.toSorted((a, b) => a - b));
    const typical = pace * normMinutes('basecoat', 'foot', 0.2) * 30;
    expect(forecast.p50).to.be.within(0.7 * typical, 1.1 * typical);
    expect(runInShell('estimates', ['forecast', log(), work, '--seed', '7'], '').stdout).to.equal(stdout);
    expect((await run('forecast', log(), work, '--seed', '8')).stdout).to.not.equal(stdout);
  });

  it('takes the rows that can be read, and lists the others', async () => {
    const { stdout, stderr, status } = await run('backtest', write('bad.csv', [HEADER, rows[0]!, rows[1]!.replace('basecoat', 'dip')]));
    expect(status).to.equal(0);
    expect((JSON.parse(stdout) as { rows: number }).rows).to.equal(1);
    expect(stderr).to.match(/^line 3, technique is "dip": /);
  });

  it('says what is wrong with what it is given, and what to do', async () => {
    const work = (line: string) =>
      run('forecast', log(), write('bad-work.csv', ['commission,unit,part,technique,size,coverage,models', line]));
    expect((await work('Fair,Bakers,Hat,basecoat,foot,1.2,10')).stderr).to.match(/^line 2, coverage is 1.2: give a share/);
    expect((await work('Fair,Bakers,Hat,basecoat,foot,0.2')).stderr).to.match(/^line 2 is 6: give 7 fields/);
    expect((await run('forecast', log())).stderr).to.match(/give two files/);
    expect((await run('backtest', path.join(folder, 'nowhere.csv'))).stderr).to.match(/give a file that can be read/);
    expect((await run('backtest', log(), '--depth', '3')).stderr).to.match(/start it as npm run --silent backtest/);
    const none = await run('backtest', write('none.csv', [HEADER, rows[0]!.replace('basecoat', 'dip')]));
    expect([none.status, none.stderr]).to.satisfy(
      ([status, said]: [number, string]) => status === 1 && /no row can be read": mend/.test(said),
    );
    expect((await run('forecast', log(), log(), '--seed', '-1')).stderr).to.match(
      /^--seed is "-1": give a whole number that is 0 or more\n$/,
    );
    const guess = await run('guess');
    expect(guess.stderr).to.match(/give backtest or forecast/);
    expect(guess.status).to.equal(1);
  });
});
