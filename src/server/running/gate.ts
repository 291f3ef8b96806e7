/** Many may pass together, or one alone. Whoever wants to be alone waits for the others, and later ones wait for it. */
export class Gate {
  private inside = 0;
  private alone: Promise<void> | null = null;
  private whenEmpty: (() => void) | null = null;

  /** How many are inside. */
  get count(): number {
    return this.inside;
  }

  async together<T>(work: () => Promise<T>): Promise<T> {
    while (this.alone) await this.alone;
    this.inside++;
    try {
      return await work();
    } finally {
      this.inside--;
      if (this.inside === 0) this.whenEmpty?.();
    }
  }

  async byItself<T>(work: () => Promise<T>): Promise<T> {
    while (this.alone) await this.alone;
    let open: () => void = () => undefined;
    this.alone = new Promise((resolve) => (open = resolve));
    try {
      if (this.inside > 0) await new Promise<void>((resolve) => (this.whenEmpty = resolve));
      return await work();
    } finally {
      this.whenEmpty = null;
      this.alone = null;
      open();
    }
  }
}
