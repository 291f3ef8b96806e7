import { readdir } from 'node:fs/promises';
import type { RequestListener } from 'node:http';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { stopAll } from '../running/stopping';
import { builtFile } from '../work/places';
import { letOthersIn } from '../running/inSlices';
import { createHost } from './host';

/** Made from the pages; not known to the compiler. */
const load = (name: string): Promise<unknown> => import(pathToFileURL(builtFile(path.join('pages/server', name))).href);

/** Reads what every page needs before anybody asks for it; whoever asks meanwhile is answered between two of them. */
async function loadPages(): Promise<void> {
  const files = await readdir(builtFile('pages/server/pages'), { recursive: true });
  for (const file of files.filter((name) => name.endsWith('.mjs'))) {
    await load(`pages/${file}`);
    await letOthersIn();
  }
}

interface Served {
  /** Reads ahead what the pages need that nobody has asked for yet. */
  readPages: () => Promise<void>;
  /** Ends it with everything in the one file of the database. */
  stop: () => Promise<void>;
}

/** Serves the built program. */
export async function serve(host: string, port: number): Promise<Served> {
  process.umask(0o077);
  process.env['ASTRO_NODE_AUTOSTART'] = 'disabled';
  const { handler } = (await load('entry.mjs')) as { handler: RequestListener };
  const server = createHost(handler, builtFile('pages/client'));
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, host, resolve);
  });
  let reading = Promise.resolve();
  return {
    readPages: () => (reading = loadPages()),
    stop: async () => {
      server.close();
      await reading;
      // Open pages keep their connections: stopping takes no longer than the write in hand.
      server.closeAllConnections();
      await stopAll();
    },
  };
}
