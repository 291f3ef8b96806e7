import { ApiError } from './api';

export type SaveStatus = { kind: 'saved' } | { kind: 'waiting' } | { kind: 'failed'; message: string };

/** What a change does beside the value, at the server: sent before the value is, and taken back when the change is. */
export interface Effect {
  make: () => Promise<void>;
  takeBack: () => Promise<void>;
}

export interface SavingState<T> {
  value: T;
  status: SaveStatus;
  canUndo: boolean;
  canRedo: boolean;
}

/** A value that was left, and what leaving it did. */
interface Left<T> {
  value: T;
  effect: Effect | null;
}

/** Typing pauses this long before it is sent. */
const SETTLE_MS = 350;
const MOST_REMEMBERED = 100;

/**
 * A value that is edited in place and saved by itself, with undo and redo, apart from any screen. What cannot be saved stays here and
 * is sent with the next change or on request; one save goes out at a time, and the last value is the one that arrives.
 */
export class Saving<T> {
  state: SavingState<T>;
  private past: Left<T>[] = [];
  private future: Left<T>[] = [];
  private effects: (() => Promise<void>)[] = [];
  private timer: ReturnType<typeof setTimeout> | undefined;
  /** What is on its way: true once everything has arrived. */
  private sending: Promise<boolean> | null = null;
  private isDirty = false;
  private readonly listeners = new Set<() => void>();

  /** `save` sends a value; it is called again only after it has answered. */
  constructor(
    initial: T,
    private save: (value: T) => Promise<void>,
  ) {
    this.state = { value: initial, status: { kind: 'saved' }, canUndo: false, canRedo: false };
  }

  /** From now on values are sent so. */
  saveBy(save: (value: T) => Promise<void>): void {
    this.save = save;
  }

  /** Calls back after every change of the state, until the returned function is called. */
  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Something is not at the server yet. */
  get isOpen(): boolean {
    return this.isDirty || this.sending !== null;
  }

  readonly change = (next: T, effect: Effect | null = null): void => {
    if (effect) this.effects.push(effect.make);
    this.go(next, [...this.past, { value: this.state.value, effect }], []);
  };

  readonly undo = (): void => {
    const left = this.past.at(-1);
    if (!left) return;
    if (left.effect) this.effects.push(left.effect.takeBack);
    this.go(left.value, this.past.slice(0, -1), [...this.future, { value: this.state.value, effect: left.effect }]);
  };

  readonly redo = (): void => {
    const left = this.future.at(-1);
    if (!left) return;
    if (left.effect) this.effects.push(left.effect.make);
    this.go(left.value, [...this.past, { value: this.state.value, effect: left.effect }], this.future.slice(0, -1));
  };

  /** Sends what is not saved yet and waits for what is on its way; false where it could not be saved. */
  readonly flush = (): Promise<boolean> => {
    clearTimeout(this.timer);
    this.sending ??= this.sendAll().finally(() => {
      this.sending = null;
    });
    return this.sending;
  };

  /** Goes to another value; what was there before is remembered on one of the two stacks. */
  private go(value: T, past: Left<T>[], future: Left<T>[]): void {
    this.past = past.slice(-MOST_REMEMBERED);
    this.future = future;
    this.isDirty = true;
    this.put({ value, status: { kind: 'waiting' }, canUndo: past.length > 0, canRedo: future.length > 0 });
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.flush(), SETTLE_MS);
  }

  /** Sends the value, and again while it changes meanwhile. */
  private async sendAll(): Promise<boolean> {
    try {
      while (this.isDirty) {
        for (; this.effects[0]; this.effects.shift()) await this.effects[0]();
        this.isDirty = false;
        await this.save(this.state.value);
      }
      this.put({ status: { kind: 'saved' } });
    } catch (error) {
      this.isDirty = true;
      this.put({ status: { kind: 'failed', message: error instanceof ApiError ? error.message : String(error) } });
    }
    return !this.isDirty;
  }

  private put(part: Partial<SavingState<T>>): void {
    this.state = { ...this.state, ...part };
    for (const listener of this.listeners) listener();
  }
}
