import { readdir } from 'node:fs/promises';
import type { RequestListener } from 'node:http';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { stopAll } from '../running/stopping';
import { builtFile } from '../work/places';
import { createHost } from './host';

/** Made from the pages; not known to the compiler. */
const load = (name: string): Promise<unknown> => import(pathToFileURL(builtFile(path.join('server', name))).href);

/** Reading what a page needs takes up to a second in which nobody is answered: it is done before anybody can ask. */
async function loadPages(): Promise<void> {
  const files = await readdir(builtFile('server/pages'), { recursive: true });
  for (const file of files.filter((name) => name.endsWith('.mjs'))) await load(`pages/${file}`);
}

/** Serves the built program. `stop` ends it with everything in the one file of the database. */
export async function serve(host: string, port: number): Promise<{ stop: () => Promise<void> }> {
  process.umask(0o077);
  process.env['ASTRO_NODE_AUTOSTART'] = 'disabled';
  const { handler } = (await load('entry.mjs')) as { handler: RequestListener };
  await loadPages();
  const server = createHost(handler, builtFile('client'));
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, host, resolve);
  });
  return {
    stop: async () => {
      server.close();
      // Open pages keep their connections: stopping takes no longer than the write in hand.
      server.closeAllConnections();
      await stopAll();
    },
  };
}
