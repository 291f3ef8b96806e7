import { readFileSync, readdirSync } from 'node:fs';
import path from 'node:path';

/** One import of a file: what it names, and whether it is read only when it comes to that. */
export interface Import {
  names: string;
  isDynamic: boolean;
}

const IMPORT = /(?:\b(?:from|import)|(\bimport\())\s*['"]([^'"\s]+)['"]/g;

export const importsOf = (code: string): Import[] =>
  [...code.matchAll(IMPORT)].map(([, dynamic, names]) => ({ names: names!, isDynamic: dynamic !== undefined }));

export const codeIn = (folder: string): string[] =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.(tsx?|astro|mjs)$/.test(name))
    .map((name) => path.join(folder, name));

/** Which files of a folder import which others of it, types included, by their paths from the root of the project. */
export function importsIn(folder: string): Map<string, string[]> {
  const files = codeIn(folder);
  const known = new Set(files);
  const target = (from: string, specifier: string): string[] => {
    const place = path.join(path.dirname(from), specifier);
    return [place, `${place}.ts`, `${place}.tsx`, path.join(place, 'index.ts')].filter((file) => known.has(file)).slice(0, 1);
  };
  const ours = (file: string) => importsOf(readFileSync(file, 'utf8')).filter(({ names }) => names.startsWith('.'));
  return new Map(files.map((file) => [file, ours(file).flatMap(({ names }) => target(file, names))]));
}

/** Groups of files that import each other in a circle: the strongly connected components of more than one file (Tarjan 1972). */
export function circlesIn(folder: string): string[][] {
  const imports = importsIn(folder);
  const number = new Map<string, number>();
  const lowest = new Map<string, number>();
  const open: string[] = [];
  const circles: string[][] = [];
  const visit = (file: string): void => {
    number.set(file, number.size);
    lowest.set(file, number.get(file)!);
    open.push(file);
    for (const next of imports.get(file)!) {
      if (!number.has(next)) visit(next);
      if (open.includes(next)) lowest.set(file, Math.min(lowest.get(file)!, lowest.get(next)!));
    }
    if (lowest.get(file) !== number.get(file)) return;
    const circle = open.splice(open.indexOf(file));
    if (circle.length > 1) circles.push(circle);
  };
  for (const file of imports.keys()) if (!number.has(file)) visit(file);
  return circles;
}
