import type { Rights } from '../../contract/devices';

/** What every device reads: the files that pages are drawn with. */
const FILES = /^\/(_astro\/|icon|layers\.css$|manifest|bench-worker\.js$)/;
/** The bench, its pedal and its round, and what they read and tell. */
const BENCH = [
  /^\/(bench|pedal|touch-up)$/,
  /^\/api\/bench(\/|$)/,
  /^\/api\/(why|pictures)(\/|$)/,
  /^\/api\/commissions\/[\w-]+\/finish$/,
  /^\/api\/other-work(\/|$)/,
];
/** Who may come in is decided at the computer alone. */
const DEVICES = /^\/api\/devices(\/|$)/;
const READING = ['GET', 'HEAD'];
/** Of these the bench only reads. */
const READ_ONLY = /^\/api\/(why|pictures|commissions)\//;

/** Whether a device with these rights may ask for a path. */
export function mayDo(may: Rights, method: string, path: string): boolean {
  if (DEVICES.test(path)) return false;
  if (may === 'all' || FILES.test(path)) return true;
  return BENCH.some((pattern) => pattern.test(path)) && (READING.includes(method) || !READ_ONLY.test(path));
}
