import { expect } from 'chai';
import { mkdtempSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { forbiddenBy } from '../support/floors';
import { circlesIn, codeIn, importsOf } from '../support/imports';
import { filesOfSrc, houses, layers } from '../../scripts/layers.mjs';

/** An existing file of each layer, to import from where it is forbidden. */
const SOMETHING_OF: Record<string, string> = {
  core: 'core/line/definitions',
  contract: 'contract/build',
  data: 'data/database',
  server: 'server/stores/errors',
  ui: 'ui/cx',
  print: 'print/pdf',
  islands: 'islands/client/api',
  pages: 'pages/api/paints',
  cli: 'cli/plan',
};

const FORBIDDEN = Object.entries(layers).map(([layer, allowed]) => ({
  layer,
  wrong: Object.keys(layers).find((other) => other !== layer && !(allowed as string[]).includes(other))!,
}));

interface House {
  rooms: Record<string, string[]>;
  hall?: string[];
  above?: string[];
}

const isFolder = (name: string) => statSync(name).isDirectory();
const foldersOf = (folder: string) => readdirSync(folder).filter((name) => isFolder(`${folder}/${name}`));
const filesOf = (folder: string) => readdirSync(folder).filter((name) => !isFolder(`${folder}/${name}`));
const someFileOf = (folder: string) =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .find((name) => name.endsWith('.ts'))!
    .replace('.ts', '');

/** The imports of a file that its place in the table forbids, if it held this code. */
const forbiddenIn = (file: string, code: string) => importsOf(code).flatMap((each) => forbiddenBy(file, each) ?? []);

describe('the layer table', () => {
  it('is kept by all sources and scripts', () => {
    const broken = ['src', 'scripts']
      .flatMap(codeIn)
      .flatMap((file) => forbiddenIn(file, readFileSync(file, 'utf8')).map((why) => `${file}: ${why}`));
    expect(broken).to.deep.equal([]);
  });

  for (const { layer, wrong } of FORBIDDEN) {
    it(`keeps ${wrong} out of ${layer}`, () => {
      expect(forbiddenIn(`src/${layer}/planted.ts`, `export * from '../${SOMETHING_OF[wrong]}';\n`)).to.have.length(1);
    });
  }

  it('lets a layer import what it may', () => {
    expect(
      forbiddenIn('src/server/planted.ts', `export * from '../core/line/definitions';\nimport type { A } from '../data/database';\n`),
    ).to.deep.equal([]);
  });

  it('knows an import in all its forms', () => {
    for (const form of [
      `import '../server/a';`,
      `import a from "../server/a";`,
      `await import('../server/a')`,
      `type A = import('../server/a').A;`,
    ])
      expect(forbiddenIn('src/core/planted.ts', form), form).to.have.length(1);
  });

  it('keeps layers out of the files beside them that may not import them', () => {
    expect(forbiddenIn('src/middleware.ts', `import '../src/islands/client/api';\nimport './data/database';\n`)).to.have.length(1);
  });

  it('keeps packages that are not listed out of the core', () => {
    expect(forbiddenIn('src/core/planted.ts', `export * from 'knex';\n`)).to.have.length(1);
    expect(forbiddenIn('src/core/planted.ts', `export * from 'node:fs';\n`)).to.have.length(1);
    expect(forbiddenIn('src/core/planted.ts', `export { number } from 'yup';\n`)).to.deep.equal([]);
  });

  it('keeps packages out of the scripts that install them', () => {
    expect(forbiddenIn('scripts/planted.mjs', `export * from 'esbuild';\n`)).to.have.length(1);
    expect(forbiddenIn('scripts/planted.mjs', `export * from 'node:fs';\nexport * from './install.mjs';\n`)).to.deep.equal([]);
    expect(forbiddenIn('scripts/planted.mjs', `const { build } = await import('esbuild');\n`)).to.deep.equal([]);
  });

  it('keeps all that can change out of the migrations', () => {
    expect(forbiddenIn('src/data/migrations/planted.ts', `export * from '../../core/kernel/ids';\n`)).to.have.length(1);
    expect(forbiddenIn('src/data/migrations/planted.ts', `export * from './frozen';\nimport type { Knex } from 'knex';\n`)).to.deep.equal(
      [],
    );
  });

  for (const [house, { rooms }] of Object.entries(houses) as [string, House][])
    for (const [room, allowed] of Object.entries(rooms)) {
      const forbidden = Object.keys(rooms).find((other) => other !== room && !allowed.includes(other));
      if (forbidden === undefined) continue;
      it(`keeps ${forbidden} out of ${house}/${room}`, () => {
        const planted = `export * from '../${forbidden}/${someFileOf(`${house}/${forbidden}`)}';\n`;
        expect(forbiddenIn(`${house}/${room}/planted.ts`, planted)).to.not.be.empty;
      });
    }

  it('keeps the rooms of a house out of its hall', () => {
    expect(forbiddenIn('src/core/line/definitions.ts', `export * from './timing/LineClock';\n`)).to.have.length(1);
    expect(
      forbiddenIn('src/core/line/hand/planted.ts', `export * from '../search/solveLine';\nexport * from '../definitions';\n`),
    ).to.deep.equal([]);
  });

  it('lists every room of every house, and what stands in its hall', () => {
    for (const [house, { rooms, hall = [], above = [] }] of Object.entries(houses) as [string, House][]) {
      expect(foldersOf(house), house).to.have.members(Object.keys(rooms));
      expect(filesOf(house), house).to.have.members([...hall, ...above]);
    }
  });

  it('finds a circle where there is one', () => {
    const folder = mkdtempSync(path.join(tmpdir(), 'circles-'));
    writeFileSync(path.join(folder, 'a.ts'), `import type { B } from './b';\n`);
    writeFileSync(path.join(folder, 'b.ts'), `export * from './a';\n`);
    writeFileSync(path.join(folder, 'c.ts'), `export * from './b';\n`);
    expect(circlesIn(folder).map((circle) => circle.map((file) => path.basename(file)).sort())).to.deep.equal([['a.ts', 'b.ts']]);
    rmSync(folder, { recursive: true });
  });

  it('finds no circle of imports in the sources, types included', () => {
    expect(circlesIn('src')).to.deep.equal([]);
  });

  it('lists every folder of src', () => {
    expect(foldersOf('src')).to.have.members(Object.keys(layers));
    expect(filesOf('src')).to.have.members(Object.keys(filesOfSrc));
  });
});
