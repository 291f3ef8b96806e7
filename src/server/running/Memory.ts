/** What is remembered under it, and of which kind; each is declared once, where it is worked out. */
export interface MemoKey<T> {
  readonly what: string;
  /** Never there: it holds the type. */
  readonly kind?: T;
}

export const memoKey = <T>(what: string): MemoKey<T> => ({ what });

/** Results that are kept for as long as what they follow from: the one place where anything is remembered between requests. */
export class Memory {
  private readonly kept = new Map<MemoKey<unknown>, Map<string, unknown>>();

  /** Worked out the first time, for each thing that it is of; what failed is tried again by whoever asks next. */
  once<T>(key: MemoKey<T>, work: () => T, of = ''): T {
    const known = this.of(key);
    if (known.has(of)) return known.get(of)!;
    const result = work();
    known.set(of, result);
    if (result instanceof Promise) result.catch(() => known.get(of) === result && known.delete(of));
    return result;
  }

  get<T>(key: MemoKey<T>): T | undefined {
    return this.of(key).get('');
  }

  set<T>(key: MemoKey<T>, value: T): void {
    this.of(key).set('', value);
  }

  forget(key: MemoKey<unknown>): void {
    this.kept.delete(key);
  }

  private of<T>(key: MemoKey<T>): Map<string, T> {
    let known = this.kept.get(key) as Map<string, T> | undefined;
    if (!known) this.kept.set(key, (known = new Map<string, T>()));
    return known;
  }
}
