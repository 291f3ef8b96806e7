import { DEFAULT_HOUSE_RULES, type WeeklySession } from '../../core/scheme/model/houseRules';
import type { Workshop } from './loadWorkshop';

/** The usual sessions, while nobody has saved any House rules: dates go by them, and nobody has said that they are right. */
export const askedSessions = ({ typedHouse }: Pick<Workshop, 'typedHouse'>): WeeklySession[] | null =>
  typedHouse === DEFAULT_HOUSE_RULES ? typedHouse.sessions : null;
