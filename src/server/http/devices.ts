import type { DevicesPicture, PairingCode, Rights } from '../../contract/devices';
import { InputError } from '../../core/kernel/InputError';
import { theDoor, type Door } from '../lan/theDoor';
import { NotFoundError } from '../stores/errors';

function door(): Door {
  const found = theDoor();
  if (!found) throw new Error('No host serves these pages: start the program with npm start.');
  return found;
}

/** Whether the program is open to the network, and for whom. */
export const devices = (): DevicesPicture => door().picture();

export async function openToNetwork(isOpen: boolean): Promise<DevicesPicture> {
  await door().set(isOpen);
  return devices();
}

/** A code that lets one device in. Throws while the program is closed to the network. */
export function pairDevice(may: Rights): PairingCode {
  const code = door().pair(may);
  if (!code) throw new InputError('isOpen', false, 'open Neat Relay to this network first');
  return code;
}

export function turnAway(id: string): DevicesPicture {
  if (!door().revoke(id)) throw new NotFoundError('This device is not paired any more: nothing is left to do.');
  return devices();
}
