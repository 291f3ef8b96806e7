/** What must stand before what, directly or through others. Grows by one pair at a time; pairs that close a circle are the caller's to refuse. */
export class Precedence {
  private readonly places: ReadonlyMap<string, number>;
  private readonly next: number[][];
  /** For each place, what comes behind it: bits by place; null until it is asked for. */
  private reach: (Int32Array | null)[];
  private readonly words: number;

  constructor(private readonly keys: readonly string[]) {
    this.places = new Map(keys.map((key, place) => [key, place]));
    this.next = keys.map(() => []);
    this.reach = keys.map(() => null);
    this.words = Math.ceil(keys.length / 32);
  }

  add(before: string, after: string): void {
    this.next[this.places.get(before)!]!.push(this.places.get(after)!);
    this.reach.fill(null);
  }

  implies(before: string, after: string): boolean {
    const place = this.places.get(after)!;
    return (this.behind(this.places.get(before)!)[place >> 5]! & (1 << (place & 31))) !== 0;
  }

  /** The shortest chain of keys from one to the other, both included; null where there is none. */
  path(from: string, to: string): string[] | null {
    const start = this.places.get(from)!;
    const goal = this.places.get(to)!;
    const cameFrom = new Map<number, number>([[start, -1]]);
    const queue = [start];
    for (const place of queue) {
      if (place === goal) return this.chain(cameFrom, goal);
      for (const next of this.next[place]!)
        if (!cameFrom.has(next)) {
          cameFrom.set(next, place);
          queue.push(next);
        }
    }
    return null;
  }

  private chain(cameFrom: ReadonlyMap<number, number>, goal: number): string[] {
    const chain: string[] = [];
    for (let place = goal; place >= 0; place = cameFrom.get(place)!) chain.unshift(this.keys[place]!);
    return chain;
  }

  private behind(place: number): Int32Array {
    const known = this.reach[place];
    if (known) return known;
    const bits = new Int32Array(this.words);
    // Set before going deeper, so that a circle ends.
    this.reach[place] = bits;
    for (const next of this.next[place]!) {
      bits[next >> 5]! |= 1 << (next & 31);
      const further = this.behind(next);
      for (let word = 0; word < this.words; word++) bits[word]! |= further[word]!;
    }
    return bits;
  }
}
