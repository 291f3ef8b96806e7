/** What a device may do: work at the bench, or everything but let others in. */
export const RIGHTS = ['bench', 'all'] as const;
export type Rights = (typeof RIGHTS)[number];

/** A tablet or telephone that was let in. */
export interface DeviceSeen {
  id: string;
  name: string;
  may: Rights;
  /** UTC ISO 8601. */
  pairedAt: string;
  /** UTC ISO 8601, to the minute. */
  seenAt: string;
}

/** Who may come in over the network, as House rules shows it. */
export interface DevicesPicture {
  /** Whether the program answers on the network at all. */
  isOpen: boolean;
  /** Where: http://192.0.2.7:4321. Empty while it is closed. */
  addresses: string[];
  /** Whether what goes over the network is encrypted. */
  isEncrypted: boolean;
  /** Why it could not be opened; null when nothing is wrong. */
  problem: string | null;
  devices: DeviceSeen[];
}

/** A code that lets one device in, as it is shown once. */
export interface PairingCode {
  code: string;
  /** UTC ms; nobody comes in with it after that. */
  until: number;
  /** Address with the code in it, and the same as a QR code: the path of its dark squares in a drawing of `size` by `size`. */
  address: string;
  path: string;
  size: number;
}
