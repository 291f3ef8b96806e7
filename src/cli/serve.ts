import { readdir } from 'node:fs/promises';
import type { RequestListener } from 'node:http';
import { pathToFileURL } from 'node:url';
import { createHost } from '../server/http/host';
import { stopAll } from '../server/stopping';

/** Made from the pages; not known to the compiler. */
const BUILT = new URL('../../dist/server/', import.meta.url);

/** Reading what a page needs takes up to a second in which nobody is answered: it is done before anybody can ask. */
async function loadPages(): Promise<void> {
  const files = await readdir(new URL('pages/', BUILT), { recursive: true });
  for (const file of files.filter((name) => name.endsWith('.mjs'))) await import(new URL(`pages/${file}`, BUILT).href);
}

/** Serves the built program. `stop` ends it with everything in the one file of the database. */
export async function serve(host: string, port: number): Promise<{ stop: () => Promise<void> }> {
  process.umask(0o077);
  process.env['ASTRO_NODE_AUTOSTART'] = 'disabled';
  const { handler } = (await import(new URL('entry.mjs', BUILT).href)) as { handler: RequestListener };
  await loadPages();
  const server = createHost(handler, 'dist/client');
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

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) {
  const { stop } = await serve(process.env['HOST'] ?? '127.0.0.1', Number(process.env['PORT']));
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => void stop().then(() => process.exit(0)));
}
