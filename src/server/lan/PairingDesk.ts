import { randomInt, timingSafeEqual } from 'node:crypto';
import { RateLimiterMemory } from 'rate-limiter-flexible';
import type { Rights } from '../../contract/devices';

/** Without letters and figures that are taken for each other. */
const LETTERS = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';
const CODE_LENGTH = 8;
const VALID_MS = 5 * 60_000;
/** So many wrong codes, from wherever they come, and the code is void. */
const MOST_WRONG = 20;
/** Attempts of one address. */
const EACH = { points: 10, duration: 60 };

interface Open {
  code: string;
  may: Rights;
  until: number;
  wrong: number;
}

export type Attempt = { kind: 'in'; may: Rights } | { kind: 'wrong' } | { kind: 'too often' };

/** Hands out codes that let one device in: one at a time, for some minutes, once. */
export class PairingDesk {
  private open: Open | null = null;
  private readonly attempts = new RateLimiterMemory(EACH);

  /** Another code is void from then on. */
  begin(may: Rights, now: number): { code: string; until: number } {
    const code = Array.from({ length: CODE_LENGTH }, () => LETTERS[randomInt(LETTERS.length)]).join('');
    this.open = { code, may, until: now + VALID_MS, wrong: 0 };
    return { code, until: this.open.until };
  }

  end(): void {
    this.open = null;
  }

  /** What comes of a code that somebody typed; `from` is the address it came from. */
  async take(typed: string, from: string, now: number): Promise<Attempt> {
    if (!(await this.isAllowed(from))) return { kind: 'too often' };
    const open = this.open;
    if (open === null || now >= open.until) return { kind: 'wrong' };
    if (!isSame(typed.toUpperCase().replaceAll(/[\s-]/g, ''), open.code)) {
      open.wrong += 1;
      if (open.wrong >= MOST_WRONG) this.end();
      return { kind: 'wrong' };
    }
    this.end();
    return { kind: 'in', may: open.may };
  }

  private isAllowed(from: string): Promise<boolean> {
    return this.attempts.consume(from).then(
      () => true,
      () => false,
    );
  }
}

/** In the same time whatever is typed. */
function isSame(typed: string, code: string): boolean {
  const given = Buffer.from(typed.padEnd(code.length).slice(0, code.length));
  return given.length === code.length && timingSafeEqual(given, Buffer.from(code)) && typed.length === code.length;
}
