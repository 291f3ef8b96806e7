import { allSteps } from '../../core/scheme/model/allSteps';
import { ulid } from 'ulid';
import { boolean, object, type InferType } from 'yup';
import { id as idField, requiredText } from '../../core/formats/fields';
import { InputError } from '../../core/kernel/InputError';
import { readScheme, writeScheme, type SchemeFile } from '../../core/formats/scheme/schemeFile';
import { EMPTY_SCHEME, hasScheme, modelsOf, type Scheme } from '../../core/scheme/model/definitions';
import { schemeInARow } from '../../core/scheme/authoring/gone';
import { groupBy } from '../../core/kernel/groupBy';
import { minutesThatCount, type StoredLogRow } from '../../core/log/definitions';
import type { LibraryEntry, LibraryUse } from '../../contract/library';
import type { LibraryRow } from '../../data/stores/libraryStore';
import { NotFoundError } from '../stores/errors';
import { letOthersIn } from '../running/inSlices';
import type { Stores } from '../stores/stores';
import { loadWorkshop } from '../workshop/loadWorkshop';

type Call = Pick<Stores, 'library' | 'commissions' | 'paints' | 'timeLog'>;

const fileOf = ({ file }: LibraryRow): SchemeFile => readScheme(JSON.parse(file));

/** Everything in the library, with where it was used and what it took there. */
export async function loadLibrary(stores: Stores, now: Date): Promise<LibraryEntry[]> {
  const rows = await stores.library.list();
  const uses = await stores.library.uses();
  const unitIds = new Set([...uses.map((use) => use.unitId), ...rows.flatMap((row) => row.fromUnit ?? [])]);
  const described = new Map<string, Omit<LibraryUse, 'at'>>();
  const rowsOf = groupBy((await loadWorkshop(stores, now)).log, ({ unitId }) => unitId);
  await letOthersIn();
  for (const id of unitIds) {
    const unit = await stores.commissions.findUnit(id);
    if (!unit) continue;
    const names = await stores.commissions.commissionNames([unit.commissionId]);
    const commission = names.get(unit.commissionId) ?? '';
    described.set(id, { unit: unit.name, commission, minutesPerModel: minutesPerModel(unit.scheme, rowsOf.get(unit.id) ?? []) });
  }
  const useOf = (unitId: string, at: string): LibraryUse[] => {
    const known = described.get(unitId);
    return known ? [{ ...known, at }] : [];
  };
  return rows.map((row): LibraryEntry => {
    const { size, standard, models, scheme, paints } = fileOf(row);
    return {
      id: row.id,
      name: row.name,
      kind: row.kind,
      savedAt: row.savedAt,
      size,
      standard,
      models,
      parts: scheme.parts.map((part) => part.name),
      paints: paints.map(({ name, hex }) => ({ name, hex })),
      uses: [
        ...(row.fromUnit === null ? [] : useOf(row.fromUnit, row.savedAt)),
        ...uses.filter((use) => use.libraryId === row.id).flatMap((use) => useOf(use.unitId, use.at)),
      ],
    };
  });
}

/** Hands-on minutes that an ordinary model took so far: of each step logged, its mean times its coats. */
function minutesPerModel(scheme: Scheme, rows: readonly StoredLogRow[]): number | null {
  const sums = new Map<string, { minutes: number; weight: number }>();
  for (const row of rows) {
    const minutes = minutesThatCount(row);
    if (row.stepId === null || minutes === null || row.verdict === 'left out' || row.technique === 'touchup') continue;
    const sum = sums.get(row.stepId) ?? { minutes: 0, weight: 0 };
    sums.set(row.stepId, { minutes: sum.minutes + minutes, weight: sum.weight + row.weight });
  }
  if (sums.size === 0) return null;
  const coats = new Map(allSteps(scheme).map((step) => [step.id, step.coats]));
  return [...sums].reduce((total, [step, { minutes, weight }]) => total + (minutes / weight) * (coats.get(step) ?? 1), 0);
}

export const keepSchema = object({
  unitId: idField(),
  /** A part with its steps, as a base recipe; null for the whole scheme. */
  partId: idField().nullable().defined(),
  name: requiredText('a name for the library'),
});

/** Keeps the scheme of a unit, or one part of it, beyond its commission. */
export async function keepInLibrary(
  stores: Call,
  { unitId, partId, name }: InferType<typeof keepSchema>,
  now: Date,
): Promise<{ id: string }> {
  const unit = await stores.commissions.findUnit(unitId);
  if (!unit) throw new NotFoundError(`There is no unit ${unitId}: it may have been taken out. Reload the page.`);
  if (!hasScheme(unit)) throw new InputError('unitId', unit.name, 'write its scheme first: there is nothing to keep');
  const commission = await stores.commissions.find(unit.commissionId);
  const whole = schemeInARow(unit);
  const scheme = partId === null ? whole : recipeOf(whole, partId);
  const file = writeScheme({
    name,
    size: unit.size,
    models: modelsOf(unit),
    standard: commission?.standard ?? 'table',
    paints: await stores.paints.list(),
    scheme,
  });
  const id = ulid(now.getTime());
  const kind = partId === null ? 'scheme' : 'base recipe';
  await stores.library.insert({ id, name, kind, savedAt: now.toISOString(), fromUnit: unit.id, removedAt: null, file });
  return { id };
}

/** One part by itself, for every model, with the mixes that it needs. */
function recipeOf(scheme: Scheme, partId: string): Scheme {
  const part = scheme.parts.find(({ id }) => id === partId);
  if (!part) throw new NotFoundError(`There is no part ${partId} in this scheme: reload the page.`);
  const steps = part.steps.map((step) => ({ ...step, for: null, paintFor: [] }));
  return { ...EMPTY_SCHEME, mixes: scheme.mixes, parts: [{ ...part, touches: null, steps }] };
}

/** Takes a scheme file into the library. */
export async function addFileToLibrary(stores: Call, value: unknown, now: Date): Promise<{ id: string; name: string }> {
  const file = readScheme(value);
  const id = ulid(now.getTime());
  const kind = file.scheme.allOver.length === 0 && file.scheme.parts.length === 1 ? 'base recipe' : 'scheme';
  await stores.library.insert({
    id,
    name: file.name,
    kind,
    savedAt: now.toISOString(),
    fromUnit: null,
    removedAt: null,
    file: writeScheme(file),
  });
  return { id, name: file.name };
}

export async function libraryFile(stores: Call, id: string | undefined): Promise<LibraryRow> {
  const row = await stores.library.find(id ?? '');
  if (!row) throw notThere(id);
  return row;
}

export const useSchema = object({ unitId: idField() });

/** Notes that a scheme of the library was taken for a unit. */
export async function noteUse(stores: Call, id: string | undefined, { unitId }: InferType<typeof useSchema>, now: Date): Promise<void> {
  const row = await libraryFile(stores, id);
  await stores.library.addUse({ id: ulid(now.getTime()), libraryId: row.id, unitId, at: now.toISOString() });
}

export const removedSchema = object({ removed: boolean().strict().required() });

export async function setRemoved(
  stores: Call,
  id: string | undefined,
  { removed }: InferType<typeof removedSchema>,
  now: Date,
): Promise<void> {
  if (!(await stores.library.setRemoved(id ?? '', removed ? now.toISOString() : null))) throw notThere(id);
}

const notThere = (id: string | undefined) =>
  new NotFoundError(`There is no scheme ${id} in the library: it may have been kept in another data folder.`);
