/** A browser's store for as long as a test goes on. */
export class MemoryStorage implements Storage {
  [name: string]: unknown;
  private readonly items = new Map<string, string>();
  getItem = (key: string) => this.items.get(key) ?? null;
  setItem = (key: string, value: string) => void this.items.set(key, value);
  removeItem = (key: string) => void this.items.delete(key);
  clear = () => this.items.clear();
  key = (index: number) => [...this.items.keys()][index] ?? null;
  get length() {
    return this.items.size;
  }
}
