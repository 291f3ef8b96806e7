import { expect } from 'chai';
import { spawnSync } from 'node:child_process';
import { mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { temporaryFolder } from '../support/temporaryFolder';

/** The rules that code breaks which stands at a path of the project, for each of several pieces of code. */
function brokenBy(planted: readonly (readonly [file: string, code: string])[]): string[][] {
  const { folder, remove } = temporaryFolder();
  try {
    const config = path.join(folder, 'oxlint.config.mjs');
    writeFileSync(config, `export { default } from ${JSON.stringify(pathToFileURL('oxlint.config.mjs').href)};\n`);
    const places = planted.map(([file], index) => path.join(path.dirname(file), String(index), path.basename(file)));
    for (const [index, [, code]] of planted.entries()) {
      mkdirSync(path.join(folder, path.dirname(places[index]!)), { recursive: true });
      writeFileSync(path.join(folder, places[index]!), code);
    }
    const { stdout } = spawnSync(path.resolve('node_modules/.bin/oxlint'), ['-c', config, '-f', 'json'], { cwd: folder, encoding: 'utf8' });
    const { diagnostics } = JSON.parse(stdout) as { diagnostics: { code: string; filename: string }[] };
    return places.map((place) => diagnostics.filter(({ filename }) => filename === place).map(({ code }) => /\((.*)\)/.exec(code)![1]!));
  } finally {
    remove();
  }
}

describe('the linter', () => {
  it('keeps the clock, chance, and what only a browser or a server has out of the core', () => {
    const clock = `export const now = () => Date.now() + Math.random();\n`;
    const place = `export const place = () => window.location;\n`;
    expect(
      brokenBy([
        ['src/core/planted.ts', clock],
        ['src/core/line/planted.ts', place],
        ['src/server/planted.ts', clock + place],
      ]),
    ).to.deep.equal([['no-restricted-properties', 'no-restricted-properties'], ['no-restricted-globals'], []]);
  });

  it('lets only the command line and the scripts speak by the console', () => {
    const code = `console.log('here');\n`;
    expect(
      brokenBy([
        ['src/server/planted.ts', code],
        ['src/cli/planted.ts', code],
        ['scripts/planted.mjs', code],
      ]),
    ).to.deep.equal([['no-console'], [], []]);
  });

  it('knows what a script names that there is not, and what is written and never used', () => {
    expect(
      brokenBy([
        ['scripts/planted.mjs', `export const length = widht + 1;\n`],
        ['src/core/planted.ts', `export const ended = (_unused: number) => {\n  const never = 1;\n};\n`],
        ['src/core/planted.ts', `export const same = (a: unknown) => a == 1;\n`],
        ['src/core/planted.ts', `export const any = (a: any) => a;\n`],
      ]),
    ).to.deep.equal([['no-undef'], ['no-unused-vars'], ['eqeqeq'], ['no-explicit-any']]);
  });

  it('reads components as their compiler does', () => {
    const component = (body: string) =>
      [
        'src/islands/Planted.tsx',
        `import * as React from 'react';\nexport function Planted({ of }: { of: number[] }) {\n${body}\n}\n`,
      ] as const;
    const rules = {
      'rules-of-hooks': component(`if (of.length > 0) React.useId();\nreturn null;`),
      'exhaustive-deps': component(`React.useEffect(() => void of.length, []);\nreturn null;`),
      refs: component(`const held = React.useRef(0);\nreturn <p>{held.current}</p>;`),
      immutability: component(`const [a] = React.useState({ b: 1 });\na.b = 2;\nreturn <p>{a.b}</p>;`),
      purity: component(`return <p>{Math.random()}</p>;`),
      'static-components': component(`const Inner = () => <p />;\nreturn <Inner />;`),
      'set-state-in-effect': component(`const [a, setA] = React.useState(0);\nReact.useEffect(() => setA(of.length), [of]);\nreturn a;`),
      'set-state-in-render': component(`const [a, setA] = React.useState(0);\nsetA(1);\nreturn a;`),
      'void-use-memo': component(`React.useMemo(() => {\nof.map(String);\n}, [of]);\nreturn null;`),
      'error-boundaries': component(`try {\nreturn <p />;\n} catch {\nreturn null;\n}`),
      'use-memo': component(`const a = React.useMemo((b: number) => b, []);\nreturn a;`),
    };
    const broken = brokenBy([...Object.values(rules), component(`return <p>{of.map(String)}</p>;`)]);
    for (const [index, rule] of Object.keys(rules).entries()) expect(broken[index], rule).to.include(rule);
    expect(broken.at(-1)).to.deep.equal([]);
  });
});
