import { expect } from 'chai';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { runCommand, runInShell } from '../support/command';
import { temporaryFolder } from '../support/temporaryFolder';

const FOLDER = 'test/data/paint';
interface Example {
  verb: string;
  problem: Record<string, unknown>;
  answer: unknown;
}
const examples = readdirSync(FOLDER).map((file): [string, Example] => [
  file,
  JSON.parse(readFileSync(`${FOLDER}/${file}`, 'utf8')) as Example,
]);

describe('paint on the command line', () => {
  const { folder, remove } = temporaryFolder();
  after(remove);
  const run = (verb: string, input: unknown) => {
    const file = path.join(folder, 'paint.json');
    writeFileSync(file, JSON.stringify(input));
    return runCommand('paint', verb, file);
  };

  for (const [file, { verb, problem, answer }] of examples)
    it(`${file} has its answer`, async () => {
      const { stdout, stderr } = await run(verb, problem);
      expect(stderr).to.equal('');
      expect(JSON.parse(stdout)).to.deep.equal(answer);
    });

  it('takes what it is to work out from standard input', () => {
    const [, { verb, problem, answer }] = examples[0]!;
    expect(JSON.parse(runInShell('paint', [verb, '-'], JSON.stringify(problem)).stdout)).to.deep.equal(answer);
  });

  it('says in one line what it cannot take', async () => {
    const of = (verb: string) =>
      structuredClone(examples.find(([, example]) => example.verb === verb)![1].problem) as Record<string, never>;
    const refused = async (verb: string, problem: unknown, words: RegExp) => {
      const { stdout, stderr, status } = await run(verb, problem);
      expect([status, stdout]).to.deep.equal([1, '']);
      expect(stderr)
        .to.match(words)
        .and.match(/^[^\n]+\n$/);
    };
    const paints = [{ id: 'a', name: 'A', hex: '#102030', kind: 'opaque', dryMinutes: null }];
    const ring = [{ id: 'm', name: 'M', of: [{ mix: 'm', parts: 1 }], thin: null }];
    await refused('mix', { paints, mixes: ring }, /mixes is "m of m": make every mix of paints/);
    await refused(
      'ramp',
      { ...of('ramp'), ramp: { from: 'a', to: 'gone', steps: 2, mostDrops: 3 } },
      /ramp\.from is "a": name a paint of the list/,
    );
    await refused('match', { paints, match: { hex: 'red', mostDrops: 3, mostPaints: 3 } }, /match\.hex is "red": give a colour as #a1b2c3/);
    await refused(
      'match',
      { paints: [...paints, ...paints], match: { hex: '#000000', mostDrops: 3, mostPaints: 3 } },
      /paints\[1\]\.id is "a": list every/,
    );
    await refused(
      'marks',
      { paints, marks: { groups: ['x', 'y'], from: ['a'], beside: ['#112030'], clear: 5, pins: {} } },
      /marks\.groups is 2: give at most 0 groups.*a is only/,
    );
    await refused(
      'marks',
      { paints, marks: { groups: ['x'], from: ['a'], pins: { z: 'a' } } },
      /marks\.pins\.z is "a": pin groups of the list/,
    );
    await refused('amounts', { ...of('amounts'), models: 0 }, /models is 0: give a whole number from 1/);
    await refused('stir', {}, /the verb is "stir": give one of mix, ramp, match, marks, amounts/);
  });
});
