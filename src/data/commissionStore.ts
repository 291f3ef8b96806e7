import type { Knex } from 'knex';
import type { Commission, Part, Scheme, Step, Unit } from '../core/scheme/definitions';
import type { StoredCommission, StoredUnit, UnitEntry } from '../core/views/stored';

interface UnitRow extends UnitEntry {
  commissionId: string;
  position: number;
  removed: number;
  schemeRevision: number;
}
type PartRow = Omit<Part, 'steps'> & { unitId: string };
type StepRow = Step & { unitId: string; partId: string | null; position: number };

const unitRow = (unit: UnitEntry, commissionId: string, position: number) => ({
  id: unit.id,
  commissionId,
  position,
  name: unit.name,
  size: unit.size,
  promised: unit.promised,
  counted: unit.counted,
  countNote: unit.countNote,
  leaders: unit.leaders,
  trayLimit: unit.trayLimit,
  testModel: unit.testModel,
  removed: false,
});

const commissionRow = ({ id, name, client, dueOn, standard, hourlyRateMinor, currency, note }: Commission) => ({
  id,
  name,
  client,
  dueOn,
  standard,
  hourlyRateMinor,
  currency,
  note,
});

const stepOf = ({ unitId: _unit, partId: _part, position: _position, ...step }: StepRow): Step => step;

/** Commissions with their units and schemes: one aggregate. */
export class CommissionStore {
  constructor(private readonly db: Knex) {}

  async list(): Promise<StoredCommission[]> {
    return this.db<StoredCommission>('commission').orderBy(['dueOn', 'createdAt', 'id']);
  }

  async find(id: string): Promise<StoredCommission | null> {
    return (await this.db<StoredCommission>('commission').where({ id }).first()) ?? null;
  }

  async insert(commission: Commission, createdAt: string): Promise<void> {
    await this.db('commission').insert({ ...commissionRow(commission), createdAt });
  }

  /**
   * Saves the commission and its list of units. Units left out are put aside with their schemes, and come back whole
   * when a later list has them again. False when the revision has moved on.
   */
  async saveIntake(commission: Commission, units: readonly UnitEntry[], revision: number): Promise<boolean> {
    return this.db.transaction(async (trx) => {
      const updated = await trx('commission')
        .where({ id: commission.id, revision })
        .update({ ...commissionRow(commission), revision: revision + 1 });
      if (updated === 0) return false;
      await trx('unit')
        .where({ commissionId: commission.id })
        .whereNotIn(
          'id',
          units.map((unit) => unit.id),
        )
        .update({ removed: true });
      for (const [position, unit] of units.entries()) {
        await trx('unit')
          .insert(unitRow(unit, commission.id, position))
          .onConflict('id')
          .merge();
      }
      return true;
    });
  }

  async units(commissionId: string): Promise<StoredUnit[]> {
    return this.withSchemes(await this.db<UnitRow>('unit').where({ commissionId, removed: 0 }).orderBy('position'));
  }

  async findUnit(id: string): Promise<StoredUnit | null> {
    const rows = await this.db<UnitRow>('unit').where({ id });
    return (await this.withSchemes(rows))[0] ?? null;
  }

  /** Which of these ids belong to units of other commissions. */
  async unitsElsewhere(ids: readonly string[], commissionId: string): Promise<string[]> {
    return (await this.db('unit').whereIn('id', ids).whereNot({ commissionId }).select('id')).map((row) => row.id);
  }

  async setTestModel(unitId: string, testModel: Unit['testModel']): Promise<void> {
    await this.db('unit').where({ id: unitId }).update({ testModel });
  }

  /** Sets how the units travel. False when the revision has moved on. */
  async setTrayLimits(commissionId: string, units: readonly Pick<Unit, 'id' | 'trayLimit'>[], revision: number): Promise<boolean> {
    return this.db.transaction(async (trx) => {
      const updated = await trx('commission')
        .where({ id: commissionId, revision })
        .update({ revision: revision + 1 });
      if (updated === 0) return false;
      for (const { id, trayLimit } of units) await trx('unit').where({ id, commissionId }).update({ trayLimit });
      return true;
    });
  }

  /** Replaces a unit's scheme; steps keep their ids, so what was logged on them stays. False when the revision has moved on. */
  async saveScheme(unitId: string, scheme: Scheme, revision: number): Promise<boolean> {
    return this.db.transaction(async (trx) => {
      const updated = await trx('unit')
        .where({ id: unitId, schemeRevision: revision })
        .update({ schemeRevision: revision + 1 });
      if (updated === 0) return false;
      await trx('step').where({ unitId }).delete();
      await trx('part').where({ unitId }).delete();
      await insertScheme(trx, unitId, scheme);
      return true;
    });
  }

  private async withSchemes(rows: readonly UnitRow[]): Promise<StoredUnit[]> {
    const unitIds = rows.map((row) => row.id);
    const parts = await this.db<PartRow>('part').whereIn('unitId', unitIds).orderBy('position');
    const steps = await this.db<StepRow>('step').whereIn('unitId', unitIds).orderBy('position');
    return rows.map(({ position: _position, removed: _removed, ...unit }) => ({
      ...unit,
      scheme: {
        parts: parts
          .filter((part) => part.unitId === unit.id)
          .map(({ id, name }) => ({ id, name, steps: steps.filter((step) => step.partId === id).map(stepOf) })),
        allOver: steps.filter((step) => step.unitId === unit.id && step.partId === null).map(stepOf),
      },
    }));
  }
}

async function insertScheme(trx: Knex, unitId: string, scheme: Scheme): Promise<void> {
  for (const [position, part] of scheme.parts.entries()) {
    await trx('part').insert({ id: part.id, unitId, position, name: part.name });
    for (const [at, step] of part.steps.entries()) await trx('step').insert({ ...step, unitId, partId: part.id, position: at });
  }
  for (const [at, step] of scheme.allOver.entries()) await trx('step').insert({ ...step, unitId, partId: null, position: at });
}
