import type { DevicesPicture, PairingCode, Rights } from '../../contract/devices';

/** The way in from the network, as House rules opens and closes it. */
export interface Door {
  picture: () => DevicesPicture;
  /** Opens or closes it, for this and later starts. */
  set: (isOpen: boolean) => Promise<void>;
  /** A code for one device; null while the door is closed. */
  pair: (may: Rights) => PairingCode | null;
  /** Turns a device away, and ends what it has open. False when there is none of this id. */
  revoke: (id: string) => boolean;
}

/** The host is not in the same bundle as the pages: they meet here. */
const KEY = Symbol.for('neat-relay door');
type Shared = typeof globalThis & { [KEY]?: Door };

export const setDoor = (door: Door): void => void ((globalThis as Shared)[KEY] = door);

/** Null where no host serves the pages, as in a test of them alone. */
export const theDoor = (): Door | null => (globalThis as Shared)[KEY] ?? null;
