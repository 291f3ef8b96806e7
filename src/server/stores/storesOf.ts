import type { Knex } from 'knex';
import { BenchStore } from '../../data/stores/benchStore';
import { CommissionStore } from '../../data/stores/commissionStore';
import { DatabaseVersion } from '../../data/file/DatabaseVersion';
import { LogCache } from '../../data/log/LogCache';
import { FinishingStore } from '../../data/stores/finishingStore';
import { DemoStore } from '../../data/demo/demoStore';
import { HouseRulesStore } from '../../data/stores/houseRulesStore';
import { PaintStore } from '../../data/stores/paintStore';
import { ScopeStore } from '../../data/stores/scopeStore';
import { LibraryStore } from '../../data/stores/libraryStore';
import { PictureStore } from '../../data/stores/pictureStore';
import { SchemeRevisionStore } from '../../data/stores/schemeRevisionStore';
import { TestRoundStore } from '../../data/stores/testRoundStore';
import { OtherWorkStore } from '../../data/stores/otherWorkStore';
import { PredictionStore } from '../../data/stores/predictionStore';
import { QuoteStore } from '../../data/stores/quoteStore';
import { SpreadStore } from '../../data/stores/spreadStore';
import { TimeLogStore } from '../../data/stores/timeLogStore';
import { inTransaction } from '../../data/stores/transaction';
import { WorkshopStore } from '../../data/stores/workshopStore';
import { Memory } from '../running/Memory';
import type { Stores } from './stores';

/** The stores over an opened database or a transaction: the only place where they are joined. */
export function storesOf(knex: Knex): Stores {
  const log = new LogCache();
  const version = new DatabaseVersion(knex);
  return {
    commissions: new CommissionStore(knex),
    paints: new PaintStore(knex),
    houseRules: new HouseRulesStore(knex),
    bench: new BenchStore(knex, log),
    timeLog: new TimeLogStore(knex, log),
    spreads: new SpreadStore(knex),
    predictions: new PredictionStore(knex, version),
    workshop: new WorkshopStore(knex, version),
    scope: new ScopeStore(knex),
    otherWork: new OtherWorkStore(knex),
    quotes: new QuoteStore(knex),
    finishing: new FinishingStore(knex),
    pictures: new PictureStore(knex),
    testRounds: new TestRoundStore(knex),
    library: new LibraryStore(knex),
    revisions: new SchemeRevisionStore(knex),
    demo: new DemoStore(knex, log),
    memory: new Memory(),
    version: () => version.read(),
    allOrNothing: (work) => inTransaction(knex, log, (trx) => work(storesOf(trx))),
  };
}
