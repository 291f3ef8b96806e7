import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, renameSync } from 'node:fs';
import path from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { temporaryFolder } from './temporaryFolder';

/** Shared by all processes of a run when the runner says where; else this one has its own. */
const FOLDER = process.env['TEST_TEMPLATES'] ?? ownFolder();
const LOOK_EVERY_MS = 50;

function ownFolder(): string {
  const { folder, remove } = temporaryFolder();
  process.once('exit', remove);
  return folder;
}

/** What this process has asked for. */
const asked = new Map<string, Promise<string>>();

/** A file with this content (any text that tells contents apart), made once in a run by whoever asks first: `make` writes it where it is told. */
export function template(content: string, make: (file: string) => Promise<void>): Promise<string> {
  const known = asked.get(content) ?? madeOnce(content, make);
  asked.set(content, known);
  return known;
}

async function madeOnce(content: string, make: (file: string) => Promise<void>): Promise<string> {
  const file = path.join(FOLDER, createHash('sha256').update(content).digest('hex'));
  const begun = `${file}.begun`;
  const failed = `${file}.failed`;
  try {
    mkdirSync(begun);
  } catch {
    // Another process is at it; should it end in between, the test runs into its own limit and says so.
    while (!existsSync(file) && !existsSync(failed)) await pause(LOOK_EVERY_MS);
    if (existsSync(failed)) throw new Error(`Another process could not make ${content}: its own test says why.`);
    return file;
  }
  try {
    const made = path.join(begun, 'made');
    await make(made);
    // In one step: whoever waits finds the whole file.
    renameSync(made, file);
  } catch (error) {
    mkdirSync(failed);
    throw error;
  }
  return file;
}
