import type { Knex } from 'knex';
import { DEFAULT_HOUSE_RULES, type HouseRules } from '../core/scheme/houseRules';

export class HouseRulesStore {
  constructor(private readonly db: Knex) {}

  /** The rules saved, over the defaults for whatever a newer program has added. */
  async load(): Promise<HouseRules> {
    const row = await this.db('house_rules').where({ id: 1 }).first();
    return row ? { ...DEFAULT_HOUSE_RULES, ...(JSON.parse(row.rules) as HouseRules) } : DEFAULT_HOUSE_RULES;
  }

  async save(rules: HouseRules): Promise<void> {
    await this.db('house_rules')
      .insert({ id: 1, rules: JSON.stringify(rules) })
      .onConflict('id')
      .merge();
  }
}
