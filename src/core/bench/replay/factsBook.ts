import { passKeyOf, type BenchEvent, type WorkFacts } from '../definitions';

/** Facts of a pass where no event brings them: today's scheme, or an event of an earlier sitting. */
export type KnownFacts = (passKey: string) => WorkFacts | undefined;

/**
 * What was true of a pass at a moment: what the last event before it says that brings facts, else the first after it.
 * Undone events tell the truth about the work all the same.
 */
export class FactsBook {
  private readonly pages = new Map<string, { at: number; facts: WorkFacts }[]>();

  constructor(
    events: readonly BenchEvent[],
    private readonly known: KnownFacts = () => undefined,
  ) {
    for (const event of events) {
      const key = passKeyOf(event);
      if (key === null || !event.facts) continue;
      const page = this.pages.get(key) ?? [];
      page.push({ at: Date.parse(event.at), facts: event.facts });
      this.pages.set(key, page);
    }
    for (const page of this.pages.values()) page.sort((a, b) => a.at - b.at);
  }

  /** What an event says itself wins: models of one pass may take different paints in one moment. */
  of(event: BenchEvent): WorkFacts | undefined {
    if (event.facts) return event.facts;
    const passKey = passKeyOf(event);
    if (passKey === null) return undefined;
    const at = Date.parse(event.at);
    const page = this.pages.get(passKey);
    return page?.findLast((each) => each.at <= at)?.facts ?? this.known(passKey) ?? page?.[0]?.facts;
  }
}
