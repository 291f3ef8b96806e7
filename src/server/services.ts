import { openDatabase, type OpenedDatabase } from '../data/database';
import { CommissionStore } from '../data/commissionStore';
import { HouseRulesStore } from '../data/houseRulesStore';
import { OwnLineStore } from '../data/ownLineStore';
import { PaintStore } from '../data/paintStore';
import { RunStore } from '../data/runStore';
import { TimeLogStore } from '../data/timeLogStore';
import type { Stores } from './stores';

export const DEFAULT_DATA_FOLDER = './data';

/** The stores over an opened database: the only place where they are joined. */
export function storesOf({ knex }: Pick<OpenedDatabase, 'knex'>): Stores {
  return {
    commissions: new CommissionStore(knex),
    paints: new PaintStore(knex),
    houseRules: new HouseRulesStore(knex),
    runs: new RunStore(knex),
    timeLog: new TimeLogStore(knex),
    ownLines: new OwnLineStore(knex),
  };
}

let opened: Promise<OpenedDatabase> | null = null;

/** The stores of the running program, opened on first use in the folder NEAT_RELAY_DATA. */
export async function services(): Promise<Stores> {
  opened ??= openDatabase(process.env['NEAT_RELAY_DATA'] ?? DEFAULT_DATA_FOLDER);
  return storesOf(await opened);
}
