import { expect } from 'chai';
import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { readLineProblem } from '../../src/core/formats/lineProblem';

const run = (command: string, input: unknown, ...more: string[]) =>
  spawnSync(process.execPath, ['dist/program/schemes.mjs', command, '-', ...more], {
    encoding: 'utf8',
    input: typeof input === 'string' ? input : JSON.stringify(input),
  });
const example = (name: string) =>
  (JSON.parse(readFileSync(`test/data/scheme/${name}.json`, 'utf8')) as { scheme: Record<string, never> }).scheme;

describe('schemes on the command line', () => {
  it('tell their rules, what is spoiled and what to keep clear of', () => {
    const { stdout, status } = run('rules', example('08-spoiled'));
    expect(status).to.equal(0);
    const [unit] = (JSON.parse(stdout) as { units: { name: string; rules: object[]; spoiled: object[]; keepClear: object[] }[] }).units;
    expect(unit!.name).to.equal('Spoiled');
    expect(unit!.spoiled).to.have.length(2);
    expect(unit!.rules).to.deep.include({
      first: { step: 'buckle', coat: 1 },
      then: { step: 'wash', coat: 1 },
      kind: 'hard',
      rule: 'shade-over-dry-base',
      minutesPerModel: null,
      reason: 'What goes over everything waits for every base coat it covers.',
    });
  });

  it('become a line problem that can be read', () => {
    const { stdout, status } = run('problem', example('02-variants'));
    expect(status).to.equal(0);
    const problem = readLineProblem(JSON.parse(stdout));
    expect(problem.trays).to.deep.equal([{ id: 'unit/1', models: 10, fetchMinutes: 0.5 }]);
    expect(problem.jobs).to.have.length(6);
  });

  it('are refused in one line that names the place, the value and what to do', () => {
    const wrong = {
      ...example('01-usual'),
      parts: [{ id: 'a', name: 'A', steps: [{ id: 's', technique: 'dip', coats: 1, coverage: 0.1, standard: 'quick' }] }],
    };
    for (const [input, words] of [
      [
        example('06-circle'),
        /^rules is "fold before coat": take out one of these rules.*fold before coat \(own: by mistake\), coat before fold/,
      ],
      [wrong, /^parts\[0\]\.steps\[0\]\.technique is "dip": give one of/],
      [`{`, /^standard input is "{": give valid JSON/],
      [{ format: 'other' }, /^format is "other": give a scheme file/],
    ] as const) {
      const { stderr, stdout, status } = run('rules', input);
      expect(status).to.equal(1);
      expect(stdout).to.equal('');
      expect(stderr.trim().split('\n')).to.have.length(1);
      expect(stderr).to.match(words);
    }
    expect(run('rules', example('01-usual'), 'more').stderr).to.match(/give one file/);
  });
});
