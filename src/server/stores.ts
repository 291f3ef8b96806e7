import type { BenchStore } from '../data/benchStore';
import type { CommissionStore } from '../data/commissionStore';
import type { DemoStore } from '../data/demoStore';
import type { HouseRulesStore } from '../data/houseRulesStore';
import type { PaintStore } from '../data/paintStore';
import type { ScopeStore } from '../data/scopeStore';
import type { LibraryStore } from '../data/libraryStore';
import type { PictureStore } from '../data/pictureStore';
import type { SchemeRevisionStore } from '../data/schemeRevisionStore';
import type { TestRoundStore } from '../data/testRoundStore';
import type { OtherWorkStore } from '../data/otherWorkStore';
import type { PredictionStore } from '../data/predictionStore';
import type { QuoteStore } from '../data/quoteStore';
import type { SpreadStore } from '../data/spreadStore';
import type { TimeLogStore } from '../data/timeLogStore';
import type { WorkshopStore } from '../data/workshopStore';

/** Everything that is kept. Use cases take the ones they need. */
export interface Stores {
  commissions: CommissionStore;
  paints: PaintStore;
  houseRules: HouseRulesStore;
  bench: BenchStore;
  timeLog: TimeLogStore;
  spreads: SpreadStore;
  predictions: PredictionStore;
  workshop: WorkshopStore;
  scope: ScopeStore;
  otherWork: OtherWorkStore;
  quotes: QuoteStore;
  pictures: PictureStore;
  testRounds: TestRoundStore;
  library: LibraryStore;
  revisions: SchemeRevisionStore;
  demo: DemoStore;
  /** A text that changes with every write. */
  version: () => Promise<string>;
  /** Does its work in one transaction; when it throws, nothing is changed. */
  allOrNothing: <T>(work: (stores: Stores) => Promise<T>) => Promise<T>;
}
