import { setTimeout as pause } from 'node:timers/promises';

/** A page that is asked for all the while: how long others wait. */
const MEANWHILE = '/shelf';
const BETWEEN_MS = 20;

export interface Answer {
  ms: number;
  text: string;
}

/** Asks for an address, and measures until the answer is there whole. */
export async function ask(url: string, init?: RequestInit): Promise<Answer> {
  const begun = performance.now();
  const text = await (await fetch(url, init)).text();
  return { ms: performance.now() - begun, text };
}

/** Does something and asks for the Shelf all the while; answers with the longest that it took. */
export async function whileAsking<T>(url: string, act: () => Promise<T>): Promise<{ result: T; worstMs: number }> {
  let isDone = false;
  const acting = act().finally(() => (isDone = true));
  let worstMs = 0;
  while (!isDone) {
    worstMs = Math.max(worstMs, (await ask(url + MEANWHILE)).ms);
    await pause(BETWEEN_MS);
  }
  return { result: await acting, worstMs };
}

export const ms = (value: number): string => `${value.toFixed(0)} ms`;
export const kb = ({ text }: Answer): string => (text.length / 1000).toFixed(0);
