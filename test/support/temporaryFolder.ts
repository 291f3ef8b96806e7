import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

/** What is thrown away after a test need not wait for a disk: in memory where the system offers it. */
const PLACE = existsSync('/dev/shm') ? '/dev/shm' : tmpdir();

/** An empty folder that is thrown away after the test. */
export function temporaryFolder(): { folder: string; remove: () => void } {
  const folder = mkdtempSync(path.join(PLACE, 'neat-relay-test-'));
  return { folder, remove: () => rmSync(folder, { recursive: true, force: true }) };
}
