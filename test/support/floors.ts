import path from 'node:path';
import { coreMayImport, filesOfSrc, houses, layers } from '../../scripts/layers.mjs';
import type { Import } from './imports';

/** What stands in one folder: its rooms and files, and what each may import of that folder besides itself. */
interface Floors {
  may: Record<string, readonly string[]>;
  /** Files that all rooms may import. */
  hall?: readonly string[];
}

const FLOORS: Record<string, Floors> = {
  src: { may: { ...layers, ...filesOfSrc } },
  ...Object.fromEntries(
    Object.entries(houses as Record<string, { rooms: Record<string, string[]>; hall?: string[] }>).map(([house, { rooms, hall = [] }]) => [
      house,
      { may: { ...rooms, ...Object.fromEntries(hall.map((file) => [file, []])) }, hall },
    ]),
  ),
};

/** What a path is called in the table of a folder that it lies below: the name of a room, or of a file without its ending; null elsewhere. */
function nameIn(folder: string, place: string): string | null {
  if (!place.startsWith(`${folder}/`)) return null;
  return bare(place.slice(folder.length + 1).split('/')[0]!);
}

const bare = (name: string) => name.replace(/\.tsx?$/, '');

/** Why a file of the project may not import what it names, by the table of layers and houses; null when it may. */
export function forbiddenBy(file: string, { names, isDynamic }: Import): string | null {
  if (!names.startsWith('.')) return forbiddenPackage(file, names, isDynamic);
  const target = path.posix.join(path.posix.dirname(file), names);
  if (file.startsWith('src/data/migrations/') && !target.startsWith('src/data/migrations/'))
    return 'A migration imports nothing of ours: what it was must not change with the program.';
  for (const [folder, { may, hall = [] }] of Object.entries(FLOORS)) {
    const [from, to] = [nameIn(folder, file), nameIn(folder, target)];
    if (from === null || to === null || from === to) continue;
    const entry = Object.entries(may).find(([name]) => bare(name) === from);
    if (!entry) continue;
    const allowed = [...entry[1], ...hall].map(bare);
    if (!allowed.includes(to)) return `${folder}/${from} may import of ${folder} only ${[from, ...allowed].join(', ')}.`;
  }
  return null;
}

function forbiddenPackage(file: string, name: string, isDynamic: boolean): string | null {
  if (file.startsWith('src/core/') && !coreMayImport.some((allowed) => name === allowed || name.startsWith(`${allowed}/`)))
    return 'src/core imports only the small pure libraries listed in scripts/layers.mjs.';
  if (/^scripts\/[^/]+\.mjs$/.test(file) && !isDynamic && !name.startsWith('node:'))
    return 'A script runs before the dependencies are installed: import packages where they are used, by `await import(...)`.';
  return null;
}
