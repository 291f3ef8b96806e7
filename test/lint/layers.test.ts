import { expect } from 'chai';
import { ESLint } from 'eslint';
import { readdirSync, statSync } from 'node:fs';
import { layers, lineRooms } from '../../scripts/layers.mjs';

/** An existing file of each layer, to import from where it is forbidden. */
const SOMETHING_OF: Record<string, string> = {
  core: 'core/line/definitions',
  data: 'data/database',
  server: 'server/errors',
  ui: 'ui/cx',
  print: 'print/pdf',
  islands: 'islands/shared/api',
  pages: 'pages/api/paints',
  cli: 'cli/plan',
};

const FORBIDDEN = Object.entries(layers).map(([layer, allowed]) => ({
  layer,
  wrong: Object.keys(layers).find((other) => other !== layer && !(allowed as string[]).includes(other))!,
}));

describe('the layer table', function () {
  this.timeout(60_000);
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

  it('keeps the clock and chance out of the core', async () => {
    expect(await lint('src/core/planted.ts', `export const now = () => Date.now() + Math.random();\n`)).to.deep.equal([
      'no-restricted-properties',
      'no-restricted-properties',
    ]);
  });

  it('keeps each room of the line engine from knowing those behind it', async () => {
    const names = Object.keys(lineRooms);
    for (const [place, room] of names.slice(0, -1).entries()) {
      const behind = { timing: 'LineClock', bounds: 'lowerBound', search: 'solveLine', hand: 'places' }[names[place + 1]!];
      expect(await lint(`src/core/line/${room}/planted.ts`, `export * from '../${names[place + 1]}/${behind}';\n`), room).to.include(
        'import-x/no-restricted-paths',
      );
    }
    expect(
      await lint('src/core/line/hand/planted.ts', `export * from '../search/solveLine';\nexport * from '../definitions';\n`),
    ).to.deep.equal([]);
  });

  it('lists every room of the line engine', () => {
    const folders = readdirSync('src/core/line').filter((name) => statSync(`src/core/line/${name}`).isDirectory());
    expect(folders).to.have.members(Object.keys(lineRooms));
  });

  it('lists every folder of src', () => {
    const folders = readdirSync('src').filter((name) => statSync(`src/${name}`).isDirectory());
    expect(folders).to.have.members(Object.keys(layers));
  });
});
