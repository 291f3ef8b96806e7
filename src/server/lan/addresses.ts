import os from 'node:os';

/** Addresses of this computer on its networks, IPv4: what can be typed into a tablet. Those that are named, where some are. */
export function ownAddresses(named = process.env['NEAT_RELAY_LAN_ADDRESSES'] ?? ''): string[] {
  if (named.trim() !== '') return named.split(',').map((address) => address.trim());
  return Object.values(os.networkInterfaces()).flatMap((each) =>
    (each ?? []).filter(({ family, internal }) => family === 'IPv4' && !internal).map(({ address }) => address),
  );
}

/** Names under which this computer is asked for on its network, beside its addresses. */
export const ownNames = (name = os.hostname().toLowerCase()): string[] => [name, `${name.replace(/\.local$/, '')}.local`];
