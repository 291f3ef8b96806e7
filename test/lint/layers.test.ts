import { expect } from 'chai';
import { ESLint } from 'eslint';
import { mkdtempSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { circlesIn } from '../support/imports';
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

describe('the layer table', () => {
  const eslint = new ESLint();
  const lint = async (file: string, code: string) =>
    (await eslint.lintText(code, { filePath: file }))[0]!.messages.map((message) => message.ruleId);

  for (const { layer, wrong } of FORBIDDEN) {
    it(`keeps ${wrong} out of ${layer}`, async () => {
      expect(await lint(`src/${layer}/planted.ts`, `export * from '../${SOMETHING_OF[wrong]}';\n`)).to.include(
        'import-x/no-restricted-paths',
      );
    });
  }

  it('lets a layer import what it may', async () => {
    expect(
      await lint('src/server/planted.ts', `export * from '../core/line/definitions';\nexport * from '../data/database';\n`),
    ).to.deep.equal([]);
  });

  it('keeps packages that are not listed out of the core', async () => {
    expect(await lint('src/core/planted.ts', `export * from 'knex';\n`)).to.include('no-restricted-imports');
    expect(await lint('src/core/planted.ts', `export * from 'node:fs';\n`)).to.include('no-restricted-imports');
    expect(await lint('src/core/planted.ts', `export { number } from 'yup';\n`)).to.deep.equal([]);
  });

  it('keeps packages out of the scripts that install them', async () => {
    expect(await lint('scripts/planted.mjs', `export * from 'esbuild';\n`)).to.include('no-restricted-imports');
    expect(await lint('scripts/planted.mjs', `export * from 'node:fs';\nexport * from './install.mjs';\n`)).to.deep.equal([]);
  });

  it('keeps the clock and chance out of the core', async () => {
    expect(await lint('src/core/planted.ts', `export const now = () => Date.now() + Math.random();\n`)).to.deep.equal([
      'no-restricted-properties',
      'no-restricted-properties',
    ]);
  });

  for (const [house, { rooms }] of Object.entries(houses) as [string, House][])
    for (const [room, allowed] of Object.entries(rooms)) {
      const forbidden = Object.keys(rooms).find((other) => other !== room && !allowed.includes(other));
      if (forbidden === undefined) continue;
      it(`keeps ${forbidden} out of ${house}/${room}`, async () => {
        const planted = `export * from '../${forbidden}/${someFileOf(`${house}/${forbidden}`)}';\n`;
        expect(await lint(`${house}/${room}/planted.ts`, planted)).to.include('import-x/no-restricted-paths');
      });
    }

  it('keeps the rooms of a house out of its hall', async () => {
    expect(await lint('src/core/line/definitions.ts', `export * from './timing/LineClock';\n`)).to.include('import-x/no-restricted-paths');
    expect(
      await lint('src/core/line/hand/planted.ts', `export * from '../search/solveLine';\nexport * from '../definitions';\n`),
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
