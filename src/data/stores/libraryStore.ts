import type { Knex } from 'knex';
import type { LibraryKind } from '../../core/scheme/model/libraryKinds';

export interface LibraryRow {
  id: string;
  name: string;
  kind: LibraryKind;
  savedAt: string;
  /** The unit it was saved from; null for one that came as a file. */
  fromUnit: string | null;
  removedAt: string | null;
  /** As `neat-relay/scheme@1` writes it. */
  file: string;
}

export interface LibraryUseRow {
  id: string;
  libraryId: string;
  unitId: string;
  at: string;
}

/** Schemes and base recipes kept beyond their commission. */
export class LibraryStore {
  constructor(private readonly db: Knex) {}

  /** Those that are shown, by name. */
  list(): Promise<LibraryRow[]> {
    return this.db<LibraryRow>('library_scheme').whereNull('removedAt').orderBy(['name', 'id']);
  }

  async find(id: string): Promise<LibraryRow | null> {
    return (await this.db<LibraryRow>('library_scheme').where({ id }).first()) ?? null;
  }

  async insert(row: LibraryRow): Promise<void> {
    await this.db('library_scheme').insert(row);
  }

  /** Takes one out of sight, or puts it back. False when there is none. */
  async setRemoved(id: string, removedAt: string | null): Promise<boolean> {
    return (await this.db('library_scheme').where({ id }).update({ removedAt })) > 0;
  }

  uses(): Promise<LibraryUseRow[]> {
    return this.db<LibraryUseRow>('library_use').orderBy('id');
  }

  async addUse(use: LibraryUseRow): Promise<void> {
    await this.db('library_use').insert(use);
  }
}
