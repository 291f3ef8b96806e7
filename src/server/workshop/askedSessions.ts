import type { WeeklySession } from '../../core/scheme/model/houseRules';
import { UNSAVED } from '../../data/file/revisions';
import type { Stores } from '../stores/stores';
import type { Workshop } from './loadWorkshop';

/** The usual sessions, while nobody has saved any House rules: dates go by them, and nobody has said that they are right. */
export const askedSessions = async ({ houseRules }: Stores, { house }: Workshop): Promise<WeeklySession[] | null> =>
  (await houseRules.revision()) === UNSAVED ? house.sessions : null;
