/**
 * The plan of the house in figures: how many files stand in a folder, how many import each other in a circle, how many floors an import
 * goes through, how long the longest function and component are, and what is remembered beside the one memory.
 *
 *   npm run bench:house                 this house
 *   npm run bench:house -- FOLDER       that of another checkout
 */
import { readFileSync } from 'node:fs';
import path from 'node:path';
import ts from 'typescript';
import { groupBy } from '../src/core/kernel/groupBy';
import { circlesIn, importsIn } from '../test/support/imports';

/** How many files stand on the longest way down through the imports; a circle counts as one. */
function floorsOf(imports: ReadonlyMap<string, readonly string[]>, circles: readonly string[][]): number {
  const home = new Map(circles.flatMap((circle) => circle.map((file) => [file, circle[0]!] as const)));
  const homeOf = (file: string) => home.get(file) ?? file;
  const below = new Map<string, Set<string>>();
  for (const [file, targets] of imports) {
    const from = homeOf(file);
    const set = below.get(from) ?? new Set<string>();
    for (const target of targets) if (homeOf(target) !== from) set.add(homeOf(target));
    below.set(from, set);
  }
  const depth = new Map<string, number>();
  const depthOf = (file: string): number => {
    const known = depth.get(file);
    if (known !== undefined) return known;
    const deepest = 1 + Math.max(0, ...[...(below.get(file) ?? [])].map(depthOf));
    depth.set(file, deepest);
    return deepest;
  };
  return Math.max(...[...below.keys()].map(depthOf));
}

interface Length {
  lines: number;
  name: string;
}

/** Every function of a file that has a body, those within others too. */
function functionsIn(file: string): Length[] {
  const source = ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.Latest, true);
  const line = (at: number) => source.getLineAndCharacterOfPosition(at).line;
  const found: Length[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isFunctionLike(node) && 'body' in node && node.body) {
      const named = node.name ?? (ts.isVariableDeclaration(node.parent) ? node.parent.name : undefined);
      const name = named && ts.isIdentifier(named) ? named.text : '';
      found.push({ lines: line(node.end) - line(node.getStart()) + 1, name });
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

const longest = (lengths: readonly Length[]): string => {
  const { name, lines } = lengths.reduce((best, each) => (each.lines > best.lines ? each : best), { name: '', lines: 0 });
  return `${lines} (\`${name}\`)`;
};

process.chdir(process.argv[2] ?? '.');
const imports = importsIn('src');
const circles = circlesIn('src');
const files = [...imports.keys()];
const folders = groupBy(files, path.dirname);
const [fullest, most] = [...folders].reduce((best, each) => (each[1].length > best[1].length ? each : best));
const functions = files.filter((file) => /\.tsx?$/.test(file)).flatMap((file) => functionsIn(file).map((each) => ({ ...each, file })));
/** Whatever a file of components names with a capital. */
const isComponent = ({ name, file }: Length & { file: string }) => file.endsWith('.tsx') && /^[A-Z]/.test(name);
const weakMaps = files.filter((file) => /new WeakMap/.test(readFileSync(file, 'utf8')));
const rows = [
  ['files in `src`', files.length],
  ['folders', folders.size],
  ['most files in one folder', `${most.length} (\`${fullest}\`)`],
  ['circles of imports, types included', circles.length],
  ['files that stand in one', circles.flat().length],
  ['floors, the longest way through imports', floorsOf(imports, circles)],
  ['lines of the longest function', longest(functions.filter((each) => !isComponent(each)))],
  ['lines of the longest component', longest(functions.filter(isComponent))],
  ['files with a WeakMap of their own', weakMaps.length],
] as const;
for (const [what, figure] of rows) process.stdout.write(`| ${what} | ${figure} |\n`);
