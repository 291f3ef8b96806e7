import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';
import { closeSync, existsSync, fsyncSync, openSync, readFileSync, renameSync, writeSync } from 'node:fs';
import path from 'node:path';
import { array, boolean, object, string, type InferType } from 'yup';
import { ulid } from 'ulid';
import { RIGHTS, type DeviceSeen, type Rights } from '../../contract/devices';

/** Beside the database, not in it: who was turned away does not come back with a backup. */
const FILE = 'devices.json';
const TOKEN_BYTES = 32;
/** When a device was last seen is written down to the minute. */
const SEEN_MS = 60_000;

const bookSchema = object({
  isOpen: boolean().required(),
  devices: array(
    object({
      id: string().required(),
      name: string().defined(),
      may: string().oneOf(RIGHTS).required(),
      pairedAt: string().required(),
      seenAt: string().required(),
      /** SHA-256 of the token that only the device has, as hex. */
      hash: string().length(64).required(),
    }),
  ).required(),
});
type Book = InferType<typeof bookSchema>;

const hashOf = (token: string): Buffer => createHash('sha256').update(token).digest();

/** Devices that may come in over the network, kept in a file of the data folder that only its owner reads. */
export class DeviceBook {
  private readonly file: string;
  private book: Book;

  /** Throws when the file is there and cannot be read. */
  constructor(folder: string) {
    this.file = path.join(folder, FILE);
    this.book = existsSync(this.file) ? readBook(this.file) : { isOpen: false, devices: [] };
  }

  /** Whether the painter has opened the program to the network, for this and later starts. */
  get isOpen(): boolean {
    return this.book.isOpen;
  }

  setOpen(isOpen: boolean): void {
    if (isOpen !== this.book.isOpen) this.save({ ...this.book, isOpen });
  }

  list(): DeviceSeen[] {
    return this.book.devices.map(({ hash: _, ...device }) => device);
  }

  /** Lets a device in; the token is told once, and only its hash is kept. */
  add(name: string, may: Rights, now: Date): { id: string; token: string } {
    const id = ulid(now.getTime());
    const token = randomBytes(TOKEN_BYTES).toString('base64url');
    const at = now.toISOString();
    const device = { id, name, may, pairedAt: at, seenAt: at, hash: hashOf(token).toString('hex') };
    this.save({ ...this.book, devices: [...this.book.devices, device] });
    return { id, token };
  }

  /** False when there is no such device any more. */
  revoke(id: string): boolean {
    const devices = this.book.devices.filter((device) => device.id !== id);
    if (devices.length === this.book.devices.length) return false;
    this.save({ ...this.book, devices });
    return true;
  }

  /** Whose token it is; null for nobody's. */
  find(token: string, now: Date): DeviceSeen | null {
    const hash = hashOf(token);
    const device = this.book.devices.find((each) => timingSafeEqual(Buffer.from(each.hash, 'hex'), hash));
    if (!device) return null;
    if (now.getTime() - Date.parse(device.seenAt) >= SEEN_MS)
      this.save({
        ...this.book,
        devices: this.book.devices.map((each) => (each === device ? { ...each, seenAt: now.toISOString() } : each)),
      });
    return device;
  }

  /** In one piece, and on the disk before it counts. */
  private save(book: Book): void {
    const next = `${this.file}.next`;
    const file = openSync(next, 'w', 0o600);
    try {
      writeSync(file, JSON.stringify(book, null, 2));
      fsyncSync(file);
    } finally {
      closeSync(file);
    }
    renameSync(next, this.file);
    this.book = book;
  }
}

function readBook(file: string): Book {
  try {
    return bookSchema.validateSync(JSON.parse(readFileSync(file, 'utf8')), { strict: true });
  } catch (error) {
    throw new Error(`${file} is damaged (${(error as Error).message}): delete it, and pair your devices again.`, { cause: error });
  }
}
