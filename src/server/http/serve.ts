import { readdir } from 'node:fs/promises';
import type { RequestListener } from 'node:http';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { stopAll } from '../running/stopping';
import { builtFile } from '../work/places';
import { letOthersIn } from '../running/inSlices';
import { dataFolder } from '../running/dataFolder';
import { DeviceBook } from '../lan/DeviceBook';
import { LanDoor } from '../lan/LanDoor';
import { setDoor } from '../lan/theDoor';
import { createHost, createInside } from './host';

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
  /** What is said of the way in from the network. */
  onNetwork: () => string;
  /** Ends it with everything in the one file of the database. */
  stop: () => Promise<void>;
}

/** The way in from the network: open when it was left open in House rules, or with NEAT_RELAY_LAN for this run. */
async function lanDoor(port: number, inside: RequestListener): Promise<LanDoor> {
  const { NEAT_RELAY_LAN: isAsked, NEAT_RELAY_CERT: certFile, NEAT_RELAY_KEY: keyFile } = process.env;
  const certificate = certFile && keyFile ? { certFile, keyFile } : null;
  const book = new DeviceBook(dataFolder());
  const door = new LanDoor({ port, book, inside, certificate });
  setDoor(door);
  if (isAsked || book.isOpen) await door.open();
  return door;
}

/** Serves the built program. */
export async function serve(host: string, port: number): Promise<Served> {
  process.umask(0o077);
  process.env['ASTRO_NODE_AUTOSTART'] = 'disabled';
  const { handler } = (await load('entry.mjs')) as { handler: RequestListener };
  const inside = createInside(handler, builtFile('pages/client'));
  const server = createHost(inside);
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, host, resolve);
  });
  const door = await lanDoor(port, inside);
  let reading = Promise.resolve();
  return {
    readPages: () => (reading = loadPages()),
    onNetwork: () => {
      const { addresses, problem } = door.picture();
      const at = addresses.length === 0 ? '' : `Devices that are paired in House rules reach it at ${addresses.join(' or ')}.`;
      return [at, problem ?? ''].join(' ').trim();
    },
    stop: async () => {
      server.close();
      await door.close();
      await reading;
      // Open pages keep their connections: stopping takes no longer than the write in hand.
      server.closeAllConnections();
      await stopAll();
    },
  };
}
