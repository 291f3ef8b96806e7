import type { Knex } from 'knex';
import * as walkingLine from './20261123_create_the_tables_of_the_walking_line';
import * as ownLine from './20261123_keep_the_painters_own_line';
import * as oneStream from './20261126_one_stream_of_bench_events';
import * as revisions from './20261126_revisions_of_rules_paints_and_lines';
import * as toldTimes from './20261126_times_as_they_were_told';
import * as schemesInFull from './20261126_schemes_in_full';
import * as intakeInFull from './20261126_intake_in_full';
import * as scopeChanges from './20261126_changes_of_scope';
import * as testModels from './20261126_pictures_and_test_models';
import * as schemeRevisions from './20261126_revisions_of_schemes';
import * as otherWork from './20261126_other_work';
import * as quotes from './20261126_quotes_and_what_changes_cost';
import * as fetching from './20261129_minutes_to_fetch_a_tray';
import * as corrections from './20261129_what_a_correction_was_of';
import * as copiedSteps from './20261129_steps_that_were_copied';
import * as handOver from './20261129_what_a_hand_over_left_undone';
import * as gone from './20261129_who_is_not_there';
import * as scopeTakenBack from './20261129_changes_of_scope_taken_back';
import * as clockCorrections from './20261129_corrections_of_the_clock';
import * as indexedEvents from './20261129_index_bench_events_by_step_and_paint';
import * as foundFor from './20261129_what_an_order_was_found_for';
import * as whatTheLogTeaches from './20261126_what_the_log_teaches';
import * as howFarWorkStrays from './20261130_how_far_work_strays';
import * as testModelsForSeveral from './20261130_test_models_for_several_units';
import * as onTheShelf from './20261130_what_is_on_the_shelf';
import * as techniquesOfOnesOwn from './20261130_techniques_of_ones_own';
import * as howItEnds from './20261130_how_a_commission_ends';
import * as spotsOnPictures from './20261130_spots_on_pictures';
import * as finishedBefore from './20261130_finished_before_the_next';
import * as groundSaysSo from './20261130_the_ground_says_so';
import * as oneScheme from './20261130_one_scheme_for_several_units';

export interface Migration {
  name: string;
  up: (knex: Knex) => Promise<void>;
  down: (knex: Knex) => Promise<void>;
}

const DAY_OF_NAME = /^(\d{4})(\d\d)(\d\d)/;

/** All migrations in the order they run. Imported, not read from a folder, so that they are part of the build. */
export const migrations: readonly Migration[] = [
  walkingLine,
  ownLine,
  oneStream,
  revisions,
  toldTimes,
  schemesInFull,
  intakeInFull,
  scopeChanges,
  testModels,
  schemeRevisions,
  whatTheLogTeaches,
  otherWork,
  quotes,
  fetching,
  corrections,
  copiedSteps,
  handOver,
  gone,
  scopeTakenBack,
  clockCorrections,
  indexedEvents,
  foundFor,
  groundSaysSo,
  oneScheme,
  finishedBefore,
  howFarWorkStrays,
  testModelsForSeveral,
  onTheShelf,
  techniquesOfOnesOwn,
  howItEnds,
  spotsOnPictures,
];

/** The day of the newest of them, UTC ms: the program was written after it. */
export const WRITTEN_ON: number = Math.max(...migrations.map(({ name }) => Date.parse(name.replace(DAY_OF_NAME, '$1-$2-$3').slice(0, 10))));
