import type { Knex } from 'knex';
import { schemeFromEarlier, type RewrittenScheme } from './frozen/schemes';

export const name = '20261126_schemes_in_full';

interface EarlierStep {
  [field: string]: unknown;
  unitId: string;
  partId: string | null;
}

/** A scheme says more than one way of painting: it is kept whole, as its format writes it; its parts and steps are listed by their ids. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('unit', (table) => table.text('scheme').notNullable().defaultTo('{}'));
  await knex.schema.createTable('scheme_piece', (table) => {
    table.text('id').primary();
    table.text('unit_id').notNullable().references('unit.id').onDelete('CASCADE').index();
  });
  const leaders = new Map<string, number>();
  for (const unit of (await knex('unit').select('id', 'leaders')) as { id: string; leaders: number }[]) {
    leaders.set(unit.id, unit.leaders);
    const parts = (await knex('part').where({ unitId: unit.id }).orderBy('position')) as { id: string; name: string }[];
    const steps = (await knex('step').where({ unitId: unit.id }).orderBy('position')) as EarlierStep[];
    const strip = (partId: string | null) =>
      steps.filter((step) => step.partId === partId).map(({ unitId: _unit, partId: _part, position: _place, ...step }) => step);
    const scheme = { parts: parts.map(({ id, name }) => ({ id, name, steps: strip(id) })), allOver: strip(null) };
    await knex('unit')
      .where({ id: unit.id })
      .update({ scheme: JSON.stringify(schemeFromEarlier(scheme, unit.leaders)) });
    const pieces = [...parts.map(({ id }) => `part ${id}`), ...(steps as unknown as { id: string }[]).map(({ id }) => `step ${id}`)];
    for (const id of pieces) await knex('scheme_piece').insert({ id, unitId: unit.id });
  }
  for (const { id, unitId, piece } of (await knex('removed_piece')) as { id: string; unitId: string; piece: string }[])
    await knex('removed_piece')
      .where({ id })
      .update({ piece: JSON.stringify(pieceFromEarlier(JSON.parse(piece) as EarlierPiece, leaders.get(unitId) ?? 0)) });
  for (const { id, rules } of (await knex('house_rules')) as { id: number; rules: string }[])
    await knex('house_rules')
      .where({ id })
      .update({ rules: JSON.stringify(rulesFromEarlier(JSON.parse(rules) as Record<string, unknown>)) });
  await knex.schema.dropTable('step');
  await knex.schema.dropTable('part');
  await knex.raw('ALTER TABLE unit DROP COLUMN leaders');
}

interface EarlierPiece {
  kind: 'part' | 'step';
  part?: object;
  step?: object;
  partId?: string | null;
}

function pieceFromEarlier({ kind, part, step, partId }: EarlierPiece, leaders: number): object {
  const { parts, allOver } = schemeFromEarlier(
    { parts: part ? [part] : [], allOver: step ? [step] : [] },
    leaders,
  ) as unknown as RewrittenScheme;
  return kind === 'part' ? { kind, part: parts[0] } : { kind, step: allOver[0], partId };
}

function rulesFromEarlier({ metallics, baseSchool, ...rules }: Record<string, unknown>): object {
  return {
    ...rules,
    schools: {
      metals: metallics === 'before translucents' ? 'first' : 'near the end',
      base: baseSchool === 'textured before priming' ? 'before priming' : 'after painting',
    },
  };
}

/** Groups, variants, mixes and rules are lost; the steps themselves are kept. */
export async function down(knex: Knex): Promise<void> {
  await knex.schema.createTable('part', (table) => {
    table.text('id').primary();
    table.text('unit_id').notNullable().references('unit.id').onDelete('CASCADE').index();
    table.integer('position').notNullable();
    table.text('name').notNullable();
  });
  await knex.schema.createTable('step', (table) => {
    table.text('id').primary();
    table.text('unit_id').notNullable().references('unit.id').onDelete('CASCADE').index();
    table.text('part_id').references('part.id').onDelete('CASCADE');
    table.integer('position').notNullable();
    table.text('technique').notNullable();
    table.text('paint_id').references('paint.id');
    table.integer('coats').notNullable();
    table.double('coverage').notNullable();
    table.text('who').notNullable();
    table.text('standard').notNullable();
    table.double('dry_minutes');
  });
  await knex.schema.alterTable('unit', (table) => table.integer('leaders').notNullable().defaultTo(0));
  for (const { id, scheme } of (await knex('unit').select('id', 'scheme')) as { id: string; scheme: string }[]) {
    const { parts = [], allOver = [], groups = [] } = JSON.parse(scheme) as Partial<RewrittenScheme>;
    const insert = (steps: RewrittenScheme['allOver'], partId: string | null) =>
      steps.map((step, position) => ({
        id: step.id,
        unitId: id,
        partId,
        position,
        technique: step.technique,
        paintId: step.paint,
        coats: step.coats,
        coverage: step.coverage,
        who: step.for === null ? 'all' : 'only' in step.for ? 'leaders' : 'others',
        standard: step.standard,
        dryMinutes: step.dryMinutes,
      }));
    for (const [position, part] of parts.entries()) {
      await knex('part').insert({ id: part.id, unitId: id, position, name: part.name });
      for (const row of insert(part.steps, part.id)) await knex('step').insert(row);
    }
    for (const row of insert(allOver, null)) await knex('step').insert(row);
    await knex('unit')
      .where({ id })
      .update({ leaders: groups.find((group) => group.kind === 'leader')?.models.length ?? 0 });
  }
  await knex.schema.dropTable('scheme_piece');
  await knex.raw('ALTER TABLE unit DROP COLUMN scheme');
}
