/**
 * Would the tests notice? Every operator, condition and value of a room of the core is changed, one at a time, and the tests of the core
 * that come by there run over it: a change that none of them notices has survived.
 *
 *   npm run bench:mutants                                 the rooms of docs/benchmarks.md, one after the other
 *   npm run bench:mutants -- money scheme/rules           only these
 *   npm run bench:mutants -- money --survivors FILE       and lists what survived
 */
import { writeFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { parseArgs } from 'node:util';
import { Stryker } from '@stryker-mutator/core';
import { temporaryFolder } from '../test/support/temporaryFolder';

/** Rooms that take minutes; those whose tests search whole lines take hours. */
const ROOMS = ['kernel', 'money'];

/** Tests that go over thousands of made-up lines, logs or taps: each change would wait for them. */
const SLOW = [
  'test/core/line/{bounds,hand,search,timing}/**',
  'test/core/time/{answer,check}/**',
  'test/core/time/{likeOrders,timeModel}.test.ts',
  'test/core/bench/walk.test.ts',
];

type Mutants = Awaited<ReturnType<Stryker['runMutationTest']>>;

const { values, positionals } = parseArgs({ options: { survivors: { type: 'string' } }, allowPositionals: true });
const rooms = positionals.length > 0 ? positionals : ROOMS;
const { folder, remove } = temporaryFolder();
const survivors: string[] = [];
console.log('| room | changes | noticed | not noticed | not run by a test | score | minutes |');
console.log('| ---- | ------: | ------: | ----------: | ----------------: | ----: | ------: |');
for (const room of rooms) {
  const begun = performance.now();
  const mutants = await mutantsOf(room);
  const count = (...states: string[]) => mutants.filter(({ status }) => states.includes(status)).length;
  const noticed = count('Killed', 'Timeout');
  const missed = count('Survived');
  const unrun = count('NoCoverage');
  const all = noticed + missed + unrun;
  const minutes = ((performance.now() - begun) / 60_000).toFixed(1);
  console.log(`| \`${room}\` | ${all} | ${noticed} | ${missed} | ${unrun} | ${Math.round((100 * noticed) / all)} % | ${minutes} |`);
  survivors.push(...mutants.filter(({ status }) => status === 'Survived' || status === 'NoCoverage').map(told));
}
remove();
if (values.survivors) writeFileSync(values.survivors, `${survivors.join('\n')}\n`);

function mutantsOf(room: string): Promise<Mutants> {
  const options = {
    testRunner: 'mocha',
    plugins: ['@stryker-mutator/mocha-runner'],
    testRunnerNodeArgs: ['--import', 'tsx', '--import', './test/support/styles.mjs'],
    mochaOptions: { 'no-config': true, spec: ['test/core/**/*.test.ts'], ignore: SLOW, require: ['./test/support/program.mjs'] },
    mutate: [`src/core/${room}/**/*.ts`],
    coverageAnalysis: 'perTest' as const,
    // What is worked out once when a module is read needs a process for each change.
    ignoreStatic: true,
    ignorePatterns: ['/dist', '/demo-data', '/data', '/docs/screenshots'],
    concurrency: availableParallelism(),
    reporters: [],
    allowConsoleColors: false,
    fileLogLevel: 'off' as const,
    logLevel: 'error' as const,
    tempDirName: folder,
  };
  return new Stryker(options as ConstructorParameters<typeof Stryker>[0]).runMutationTest();
}

function told({ fileName, location, mutatorName, replacement, status }: Mutants[number]): string {
  const where = `${fileName.slice(fileName.indexOf('src/core/'))}:${location.start.line + 1}:${location.start.column + 1}`;
  return `${where} ${mutatorName}${status === 'NoCoverage' ? ' (no test)' : ''}: ${replacement?.replaceAll(/\s+/g, ' ').slice(0, 100) ?? ''}`;
}
