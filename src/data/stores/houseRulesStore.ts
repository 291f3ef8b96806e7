import type { Knex } from 'knex';
import { DEFAULT_HOUSE_RULES, type HouseRules } from '../../core/scheme/model/houseRules';
import { revisionOf, saveRevision } from '../file/revisions';

const THE_ROW = { id: 1 };

export class HouseRulesStore {
  constructor(private readonly db: Knex) {}

  /** The rules saved, over the defaults for whatever a newer program has added; the defaults themselves while nothing was saved. */
  async load(): Promise<HouseRules> {
    const row = await this.db('house_rules').where(THE_ROW).first();
    if (!row) return DEFAULT_HOUSE_RULES;
    const saved = JSON.parse(row.rules) as HouseRules;
    return { ...DEFAULT_HOUSE_RULES, ...saved, schools: { ...DEFAULT_HOUSE_RULES.schools, ...saved.schools } };
  }

  revision(): Promise<number> {
    return revisionOf(this.db, 'house_rules', THE_ROW);
  }

  /** False when the revision has moved on. */
  save(rules: HouseRules, from: number): Promise<boolean> {
    return saveRevision(this.db, 'house_rules', THE_ROW, { rules: JSON.stringify(rules) }, from);
  }
}
