import { expect } from 'chai';
import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { readLineProblem } from '../../src/core/formats/lineProblem';
import { runCommand, runInShell } from '../support/command';
import { temporaryFolder } from '../support/temporaryFolder';

const example = (name: string) =>
  (JSON.parse(readFileSync(`test/data/scheme/${name}.json`, 'utf8')) as { scheme: Record<string, never> }).scheme;

describe('schemes on the command line', () => {
  const { folder, remove } = temporaryFolder();
  after(remove);
  const run = (command: string, input: unknown, ...more: string[]) => {
    const file = path.join(folder, 'scheme.json');
    writeFileSync(file, JSON.stringify(input));
    return runCommand('schemes', command, file, ...more);
  };

  it('tell their rules, what is spoiled and what to keep clear of', async () => {
    const { stdout, status } = await run('rules', example('08-spoiled'));
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

  it('become a line problem that can be read', async () => {
    const { stdout, status } = await run('problem', example('02-variants'));
    expect(status).to.equal(0);
    const problem = readLineProblem(JSON.parse(stdout));
    expect(problem.trays).to.deep.equal([{ id: 'unit/1', models: 10, fetchMinutes: 0.5 }]);
    expect(problem.jobs).to.have.length(6);
  });

  it('are refused in one line that names the place, the value and what to do', async () => {
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
      [{ format: 'other' }, /^format is "other": give a scheme file/],
    ] as const) {
      const { stderr, stdout, status } = await run('rules', input);
      expect(status).to.equal(1);
      expect(stdout).to.equal('');
      expect(stderr.trim().split('\n')).to.have.length(1);
      expect(stderr).to.match(words);
    }
    expect((await run('rules', example('01-usual'), 'more')).stderr).to.match(/give one file/);
  });

  it('are read from standard input, which is named when it is no JSON', () => {
    const read = runInShell('schemes', ['rules', '-'], JSON.stringify(example('01-usual')));
    expect([read.status, read.stderr]).to.deep.equal([0, '']);
    const { stderr, stdout, status } = runInShell('schemes', ['rules', '-'], '{');
    expect([status, stdout]).to.deep.equal([1, '']);
    expect(stderr).to.match(/^standard input is "{": give valid JSON[^\n]*\n$/);
  });
});
