import type { Knex } from 'knex';
import { ulid } from 'ulid';
import { pieceId, pieceIds } from '../../core/formats/scheme/checkScheme';
import { EMPTY_SCHEME, type Bit, type GoneModel, type Scheme, type Unit, type UnitEntry } from '../../core/scheme/model/definitions';
import { type Commission, type StoredCommission, type StoredUnit } from '../../core/commission/definitions';
import type { RemovedPiece } from '../../core/scheme/model/removedPiece';
import { inPieces } from '../file/inPieces';

interface UnitRow extends Omit<UnitEntry, 'bits' | 'gone' | 'late' | 'trayByTray' | 'goesFirst'> {
  bits: string;
  gone: string;
  late: string;
  trayByTray: number;
  goesFirst: number;
  commissionId: string;
  position: number;
  removed: number;
  schemeRevision: number;
  scheme: string;
}
interface CommissionRow extends StoredCommission {
  deletedAt: string | null;
  /** JSON; null while it is open. */
  undone: string | null;
}

const unitRow = (unit: UnitEntry, commissionId: string, position: number) => ({
  id: unit.id,
  commissionId,
  position,
  name: unit.name,
  size: unit.size,
  promised: unit.promised,
  owned: unit.owned,
  counted: unit.counted,
  countNote: unit.countNote,
  gone: JSON.stringify(unit.gone),
  late: JSON.stringify(unit.late),
  trayLimit: unit.trayLimit,
  trayByTray: unit.trayByTray,
  goesFirst: unit.goesFirst,
  holder: unit.holder,
  bits: JSON.stringify(unit.bits),
  testModel: unit.testModel,
  testedBy: unit.testedBy,
  linked: unit.linked,
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

const commissionOf = ({ deletedAt: _deleted, undone: _undone, ...commission }: CommissionRow): StoredCommission => commission;

const storedUnit = ({
  position: _position,
  removed: _removed,
  scheme,
  bits,
  gone,
  late,
  trayByTray,
  goesFirst,
  ...unit
}: UnitRow): StoredUnit => ({
  ...unit,
  bits: JSON.parse(bits) as Bit[],
  gone: JSON.parse(gone) as GoneModel[],
  late: JSON.parse(late) as number[],
  trayByTray: trayByTray !== 0,
  goesFirst: goesFirst !== 0,
  scheme: { ...EMPTY_SCHEME, ...(JSON.parse(scheme) as Partial<Scheme>) },
});

/** How a unit travels; what is left out stays as it is. */
type UnitTravel = Pick<Unit, 'id' | 'trayLimit'> & Partial<Pick<Unit, 'trayByTray' | 'goesFirst'>>;

/** Commissions with their units and schemes: one aggregate. */
export class CommissionStore {
  constructor(private readonly db: Knex) {}

  /** Those that are open, by date. */
  async listOpen(): Promise<StoredCommission[]> {
    return (await this.kept().whereNull('closedAt').orderBy(['dueOn', 'createdAt', 'id'])).map(commissionOf);
  }

  /** Handed over and put away, the latest first. */
  async listClosed(): Promise<StoredCommission[]> {
    return (await this.kept().whereNotNull('closedAt').orderBy('closedAt', 'desc')).map(commissionOf);
  }

  async find(id: string): Promise<StoredCommission | null> {
    const row = await this.kept().where({ id }).first();
    return row ? commissionOf(row) : null;
  }

  async insert(commission: Commission, createdAt: string, closedAt: string | null = null): Promise<void> {
    // A commission that was deleted, and comes back as a file, comes back as the file has it.
    await this.db('commission').where({ id: commission.id }).whereNotNull('deletedAt').delete();
    await this.db('commission').insert({ ...commissionRow(commission), createdAt, closedAt });
  }

  /** From then on a change of scope is written down. */
  async setAgreed(id: string, agreedAt: string | null): Promise<void> {
    await this.db('commission').where({ id }).update({ agreedAt });
  }

  /** Hands it over with what is not done then, in words; null opens it again. */
  async setClosed(id: string, closedAt: string | null, undone: readonly string[] = []): Promise<void> {
    await this.db('commission')
      .where({ id })
      .update({ closedAt, undone: closedAt === null ? null : JSON.stringify(undone) });
  }

  /** What was not done when it was handed over; nothing while it is open. */
  async undone(id: string): Promise<string[]> {
    const row = await this.kept().where({ id }).first();
    return row?.undone ? (JSON.parse(row.undone) as string[]) : [];
  }

  /** Takes a commission out of sight, or puts it back. False when there is none. */
  async setDeleted(id: string, deletedAt: string | null): Promise<boolean> {
    return (await this.db('commission').where({ id }).update({ deletedAt })) > 0;
  }

  async findDeleted(id: string): Promise<{ id: string; name: string } | null> {
    const row = await this.db<CommissionRow>('commission').where({ id }).whereNotNull('deletedAt').first();
    return row ? { id: row.id, name: row.name } : null;
  }

  private kept() {
    return this.db<CommissionRow>('commission').whereNull('deletedAt');
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
    return this.unitsOf([commissionId]);
  }

  /** The units of several commissions, each in the order entered. */
  async unitsOf(commissionIds: readonly string[]): Promise<StoredUnit[]> {
    return (await this.db<UnitRow>('unit').whereIn('commissionId', commissionIds).where({ removed: 0 }).orderBy('position')).map(
      storedUnit,
    );
  }

  /** Those taken out at Intake too. */
  async allUnits(commissionId: string): Promise<StoredUnit[]> {
    return (await this.db<UnitRow>('unit').where({ commissionId })).map(storedUnit);
  }

  /** Units taken out at Intake, with their schemes. */
  async removedUnits(commissionId: string): Promise<StoredUnit[]> {
    return (await this.db<UnitRow>('unit').where({ commissionId, removed: 1 }).orderBy('position')).map(storedUnit);
  }

  /** Ids of all units of a commission, those taken out too. */
  async unitIds(commissionId: string): Promise<string[]> {
    return (await this.db('unit').where({ commissionId }).select('id')).map((row) => row.id as string);
  }

  /** These units with their commissions, whatever became of them: taken out, closed or deleted. */
  async everyUnit(ids: readonly string[]): Promise<{ unit: StoredUnit; commission: StoredCommission }[]> {
    const units: StoredUnit[] = [];
    for (const piece of inPieces(ids)) units.push(...(await this.db<UnitRow>('unit').whereIn('id', piece)).map(storedUnit));
    const commissions = new Map<string, StoredCommission>();
    for (const piece of inPieces([...new Set(units.map(({ commissionId }) => commissionId))]))
      for (const row of await this.db<CommissionRow>('commission').whereIn('id', piece)) commissions.set(row.id, commissionOf(row));
    return units.map((unit) => ({ unit, commission: commissions.get(unit.commissionId)! }));
  }

  /** Names by id, of closed and deleted commissions too. */
  commissionNames(ids: readonly string[]): Promise<Map<string, string>> {
    return this.namesIn('commission', ids);
  }

  /** Names by id, of units taken out too. */
  unitNames(ids: readonly string[]): Promise<Map<string, string>> {
    return this.namesIn('unit', ids);
  }

  private async namesIn(table: 'commission' | 'unit', ids: readonly string[]): Promise<Map<string, string>> {
    const names = new Map<string, string>();
    for (const piece of inPieces(ids))
      for (const row of await this.db(table).whereIn('id', piece).select('id', 'name')) names.set(row.id as string, row.name as string);
    return names;
  }

  /** The schemes in which an id may stand, of all units, whatever became of their commissions; others are not read. */
  async schemesThatName(id: string): Promise<Scheme[]> {
    return (await this.db<UnitRow>('unit').whereRaw('instr(scheme, ?) > 0', [JSON.stringify(id)])).map((row) => storedUnit(row).scheme);
  }

  /** What was taken out of the schemes of a unit and is not back, the latest first. */
  async removedPieces(unitIds: readonly string[]): Promise<RemovedPiece[]> {
    const rows: { id: string; unitId: string; removedAt: string; piece: string }[] = await this.db('removed_piece')
      .whereIn('unitId', unitIds)
      .orderByRaw('removed_at DESC, rowid DESC');
    return rows.map((row) => ({ ...row, piece: JSON.parse(row.piece) as RemovedPiece['piece'] }));
  }

  /** Keeps what was taken out elsewhere. */
  async putPiecesAside(removed: readonly Omit<RemovedPiece, 'id'>[]): Promise<void> {
    for (const each of removed) await this.db('removed_piece').insert({ ...each, id: ulid(), piece: JSON.stringify(each.piece) });
  }

  async findUnit(id: string): Promise<StoredUnit | null> {
    const row = await this.db<UnitRow>('unit').where({ id }).first();
    return row ? storedUnit(row) : null;
  }

  /** Which of these ids belong to units of other commissions. */
  async unitsElsewhere(ids: readonly string[], commissionId: string): Promise<string[]> {
    const found: string[] = [];
    for (const piece of inPieces(ids))
      found.push(...(await this.db('unit').whereIn('id', piece).whereNot({ commissionId }).select('id')).map((row) => row.id as string));
    return found;
  }

  /** Which of these ids belong to parts or steps of other units than those named. */
  async piecesElsewhere(ids: readonly string[], unitIds: readonly string[]): Promise<string[]> {
    const own = new Set(unitIds);
    const found: string[] = [];
    for (const piece of inPieces(ids))
      for (const row of await this.db('scheme_piece').whereIn('id', piece).select('id', 'unitId'))
        if (!own.has(row.unitId as string)) found.push(row.id as string);
    return found;
  }

  /** Sets how the units travel. False when the revision has moved on. */
  async setTrays(commissionId: string, units: readonly UnitTravel[], revision: number): Promise<boolean> {
    return this.db.transaction(async (trx) => {
      const updated = await trx('commission')
        .where({ id: commissionId, revision })
        .update({ revision: revision + 1 });
      if (updated === 0) return false;
      for (const { id, ...travel } of units) await trx('unit').where({ id, commissionId }).update(travel);
      return true;
    });
  }

  /** Says by which scheme units are painted; a window that has Intake open is out of date then. */
  async setLinked(commissionId: string, unitIds: readonly string[], linked: string | null): Promise<void> {
    await this.db('unit').where({ commissionId }).whereIn('id', unitIds).update({ linked });
    await this.db('commission')
      .where({ id: commissionId })
      .update({ revision: this.db.raw('revision + 1') });
  }

  /** Says what those who are not there belonged to. */
  async setGone(unitId: string, gone: readonly GoneModel[]): Promise<void> {
    await this.db('unit')
      .where({ id: unitId })
      .update({ gone: JSON.stringify(gone) });
  }

  /** Opens or shuts the gate of the test model; a window that has Intake open is out of date then. */
  async setTestModel(unitId: string, testModel: Unit['testModel']): Promise<void> {
    await this.db('unit').where({ id: unitId }).update({ testModel });
    await this.db('commission')
      .whereIn('id', this.db('unit').where({ id: unitId }).select('commissionId'))
      .update({ revision: this.db.raw('revision + 1') });
  }

  /**
   * Replaces a unit's scheme; steps keep their ids, so what was logged on them stays, and what is taken out is put aside.
   * False when the revision has moved on.
   */
  async saveScheme(unitId: string, scheme: Scheme, revision: number, now: string): Promise<boolean> {
    return this.db.transaction(async (trx) => {
      const row = await trx<UnitRow>('unit').where({ id: unitId, schemeRevision: revision }).first();
      if (!row) return false;
      await trx('unit')
        .where({ id: unitId })
        .update({ scheme: JSON.stringify(scheme), schemeRevision: revision + 1 });
      await putAside(trx, unitId, storedUnit(row).scheme, scheme, now);
      await trx('scheme_piece').where({ unitId }).delete();
      for (const piece of inPieces(pieceIds(scheme))) await trx('scheme_piece').insert(piece.map((id) => ({ id, unitId })));
      return true;
    });
  }
}

/** Keeps parts and steps that the new scheme lacks, and forgets those that are back. */
async function putAside(trx: Knex, unitId: string, before: Scheme, after: Scheme, removedAt: string): Promise<void> {
  const present = new Set(pieceIds(after));
  const aside: RemovedPiece['piece'][] = [];
  const isAside = (piece: RemovedPiece['piece']): boolean => {
    if (!present.has(pieceId(piece))) return aside.push(piece) > 0;
    return false;
  };
  for (const part of before.parts)
    if (!isAside({ kind: 'part', part })) for (const step of part.steps) isAside({ kind: 'step', step, partId: part.id });
  for (const step of before.allOver) isAside({ kind: 'step', step, partId: null });
  for (const piece of aside) await trx('removed_piece').insert({ id: ulid(), unitId, removedAt, piece: JSON.stringify(piece) });
  const kept: { id: string; piece: string }[] = await trx('removed_piece').where({ unitId });
  const back = kept.filter(({ piece }) => present.has(pieceId(JSON.parse(piece) as RemovedPiece['piece'])));
  if (back.length > 0)
    await trx('removed_piece')
      .whereIn(
        'id',
        back.map((row) => row.id),
      )
      .delete();
}
