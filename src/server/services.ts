import { BenchStore } from '../data/benchStore';
import { CommissionStore } from '../data/commissionStore';
import { openDatabase, type OpenedDatabase } from '../data/database';
import { databaseVersion } from '../data/databaseVersion';
import { DemoStore } from '../data/demoStore';
import { HouseRulesStore } from '../data/houseRulesStore';
import { PaintStore } from '../data/paintStore';
import { TimeLogStore } from '../data/timeLogStore';
import { WorkshopStore } from '../data/workshopStore';
import type { Stores } from './stores';

export const DEFAULT_DATA_FOLDER = './data';

/** The stores over an opened database: the only place where they are joined. */
export function storesOf({ knex }: Pick<OpenedDatabase, 'knex'>): Stores {
  return {
    commissions: new CommissionStore(knex),
    paints: new PaintStore(knex),
    houseRules: new HouseRulesStore(knex),
    bench: new BenchStore(knex),
    timeLog: new TimeLogStore(knex),
    workshop: new WorkshopStore(knex),
    demo: new DemoStore(knex),
    version: () => databaseVersion(knex),
  };
}

let opened: Promise<Stores> | null = null;

/** The stores of the running program, opened on first use in the folder NEAT_RELAY_DATA. */
export function services(): Promise<Stores> {
  opened ??= openDatabase(process.env['NEAT_RELAY_DATA'] ?? DEFAULT_DATA_FOLDER).then(storesOf);
  return opened;
}
