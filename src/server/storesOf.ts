import type { Knex } from 'knex';
import { BenchStore } from '../data/benchStore';
import { CommissionStore } from '../data/commissionStore';
import { databaseVersion } from '../data/databaseVersion';
import { DemoStore } from '../data/demoStore';
import { HouseRulesStore } from '../data/houseRulesStore';
import { PaintStore } from '../data/paintStore';
import { ScopeStore } from '../data/scopeStore';
import { LibraryStore } from '../data/libraryStore';
import { PictureStore } from '../data/pictureStore';
import { SchemeRevisionStore } from '../data/schemeRevisionStore';
import { TestRoundStore } from '../data/testRoundStore';
import { OtherWorkStore } from '../data/otherWorkStore';
import { PredictionStore } from '../data/predictionStore';
import { QuoteStore } from '../data/quoteStore';
import { SpreadStore } from '../data/spreadStore';
import { TimeLogStore } from '../data/timeLogStore';
import { inTransaction } from '../data/transaction';
import { WorkshopStore } from '../data/workshopStore';
import type { Stores } from './stores';

/** The stores over an opened database or a transaction: the only place where they are joined. */
export const storesOf = (knex: Knex): Stores => ({
  commissions: new CommissionStore(knex),
  paints: new PaintStore(knex),
  houseRules: new HouseRulesStore(knex),
  bench: new BenchStore(knex),
  timeLog: new TimeLogStore(knex),
  spreads: new SpreadStore(knex),
  predictions: new PredictionStore(knex),
  workshop: new WorkshopStore(knex),
  scope: new ScopeStore(knex),
  otherWork: new OtherWorkStore(knex),
  quotes: new QuoteStore(knex),
  pictures: new PictureStore(knex),
  testRounds: new TestRoundStore(knex),
  library: new LibraryStore(knex),
  revisions: new SchemeRevisionStore(knex),
  demo: new DemoStore(knex),
  version: () => databaseVersion(knex),
  allOrNothing: (work) => inTransaction(knex, (trx) => work(storesOf(trx))),
});
