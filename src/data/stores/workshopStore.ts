import type { Knex } from 'knex';
import { ulid } from 'ulid';
import type { OwnLine } from '../../core/line/hand/carryOver';
import { selectionKey, type Selection } from '../../core/plan/selection';
import type { BenchOrder } from '../../core/bench/benchOrder';
import { DatabaseVersion } from '../file/DatabaseVersion';
import { revisionOf, saveRevision } from '../file/revisions';

interface WorkshopRow {
  id: number;
  benchId: string;
  demo: string | null;
  selection: string | null;
  bench: string | null;
}

/** An order that is suggested (job ids), and what a search had before it when it found it, as a hash; null while none has looked. */
export interface FoundOrder {
  order: string[];
  foundFor: string | null;
}

/** What belongs to the workshop and not to one commission: the units chosen to plan, the painter's orders, and what lies on the bench. */
export class WorkshopStore {
  constructor(
    private readonly db: Knex,
    private readonly version = new DatabaseVersion(db),
  ) {}

  /** The units that Trays and Line are about; null before anybody has chosen. */
  async selection(): Promise<Selection | null> {
    const row = await this.row();
    return row.selection ? (JSON.parse(row.selection) as Selection) : null;
  }

  async choose(selection: Selection): Promise<void> {
    await this.save({ selection: JSON.stringify(selection) });
  }

  async bench(): Promise<BenchOrder | null> {
    const row = await this.row();
    // Lines laid by an earlier version do not say what they replaced.
    return row.bench ? { replaced: null, ...(JSON.parse(row.bench) as Omit<BenchOrder, 'replaced'>) } : null;
  }

  async putOnBench(order: BenchOrder | null): Promise<void> {
    await this.save({ bench: order && JSON.stringify(order) });
  }

  /** The painter's own order for these units; null while the suggestion is followed. */
  async ownLine(selection: Selection): Promise<OwnLine | null> {
    const row = await this.db('own_line')
      .where({ selection: selectionKey(selection) })
      .first();
    return row ? (JSON.parse(row.line as string) as OwnLine | null) : null;
  }

  ownLineRevision(selection: Selection): Promise<number> {
    return revisionOf(this.db, 'own_line', { selection: selectionKey(selection) });
  }

  /** Null forgets it; the row stays for its revision. False when the revision has moved on. */
  saveOwnLine(selection: Selection, line: OwnLine | null, from: number): Promise<boolean> {
    return saveRevision(this.db, 'own_line', { selection: selectionKey(selection) }, { line: JSON.stringify(line) }, from);
  }

  /** Makes the workshop with the id of its bench, once; it is there before anything reads it, so that reading writes nothing. */
  async open(): Promise<void> {
    await this.db('workshop').insert({ id: 1, benchId: ulid() }).onConflict('id').ignore();
  }

  async benchId(): Promise<string> {
    return (await this.row()).benchId;
  }

  /** Remembers which commissions the demo brought. */
  async markDemo(commissionIds: string[]): Promise<void> {
    await this.save({ demo: JSON.stringify(commissionIds) });
  }

  /** The order that is suggested for a line, by the text that tells it from others; null before there was one. */
  async foundOrder(line: string): Promise<FoundOrder | null> {
    const row = await this.db('planned_order').where({ selection: line }).first();
    return row ? { order: JSON.parse(row.jobIds as string) as string[], foundFor: row.foundFor as string | null } : null;
  }

  async saveFoundOrder(line: string, { order, foundFor }: FoundOrder): Promise<void> {
    await this.db('planned_order')
      .insert({ selection: line, jobIds: JSON.stringify(order), foundFor })
      .onConflict('selection')
      .merge();
    this.version.countIdle();
  }

  private async row(): Promise<WorkshopRow> {
    return (await this.db<WorkshopRow>('workshop').where({ id: 1 }).first())!;
  }

  private async save(change: Partial<Omit<WorkshopRow, 'id' | 'benchId'>>): Promise<void> {
    await this.db('workshop').where({ id: 1 }).update(change);
  }
}
