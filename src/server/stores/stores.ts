import type { BenchStore } from '../../data/stores/benchStore';
import type { CommissionStore } from '../../data/stores/commissionStore';
import type { FinishingStore } from '../../data/stores/finishingStore';
import type { DemoStore } from '../../data/demo/demoStore';
import type { HouseRulesStore } from '../../data/stores/houseRulesStore';
import type { PaintStore } from '../../data/stores/paintStore';
import type { ScopeStore } from '../../data/stores/scopeStore';
import type { LibraryStore } from '../../data/stores/libraryStore';
import type { PictureStore } from '../../data/stores/pictureStore';
import type { SchemeRevisionStore } from '../../data/stores/schemeRevisionStore';
import type { TestRoundStore } from '../../data/stores/testRoundStore';
import type { OtherWorkStore } from '../../data/stores/otherWorkStore';
import type { PredictionStore } from '../../data/stores/predictionStore';
import type { QuoteStore } from '../../data/stores/quoteStore';
import type { SpreadStore } from '../../data/stores/spreadStore';
import type { TimeLogStore } from '../../data/stores/timeLogStore';
import type { WorkshopStore } from '../../data/stores/workshopStore';
import type { Memory } from '../running/Memory';

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
  finishing: FinishingStore;
  pictures: PictureStore;
  testRounds: TestRoundStore;
  library: LibraryStore;
  revisions: SchemeRevisionStore;
  demo: DemoStore;
  /** What the program remembers of this data. */
  memory: Memory;
  /** A text that changes with every write. */
  version: () => Promise<string>;
  /** Does its work in one transaction; when it throws, nothing is changed. */
  allOrNothing: <T>(work: (stores: Stores) => Promise<T>) => Promise<T>;
}
