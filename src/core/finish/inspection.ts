import { LOOKS, type BenchMarks, type Look } from '../bench/definitions';
import { doneModels } from '../bench/replay/foldMarks';
import { type RosterUnit, type Roster } from '../plan/build/roster';
import { momentOf } from '../scheme/model/momentOf';
import { momentOrder, type Moment } from '../scheme/model/moments';
import { schoolsOf } from '../scheme/model/schoolsOf';
import { allModels, leadersOf, standardOf } from '../scheme/model/whoTakes';
import { workOnWords } from '../scheme/model/workWords';
import { passesOf, type Pass } from '../scheme/passes/passes';
import type { Standard } from '../scheme/model/definitions';

/** Before which moment each look is due. */
const BEFORE = { shade: 'shade', varnish: 'varnish', end: null } as const satisfies Record<Look, Moment | null>;

export const LOOK_LABELS = {
  shade: 'Before the shade',
  varnish: 'Before the varnish',
  end: 'At the end',
} as const satisfies Record<Look, string>;

/** A step of a model in words, with the pass it is. */
export interface StepSaid {
  passKey: string;
  what: string;
}

/** A spot that was found and is not touched up yet. */
export interface OpenSpot extends StepSaid {
  note: string;
}

/** One model against what it should have. */
export interface InspectedModel {
  model: number;
  /** Names of its groups and options. */
  who: string[];
  isLeader: boolean;
  standard: Standard;
  /** Steps that it takes. */
  takes: number;
  /** Those that are painted, in the order of the scheme. */
  painted: StepSaid[];
  /** Those that are not painted. */
  left: StepSaid[];
  /** Left out on purpose. */
  without: StepSaid[];
  misses: OpenSpot[];
  /** Why it was set aside; null while it is not. */
  aside: string | null;
  /** When it was inspected for each look, UTC ms, where nothing of it was painted since. */
  inspected: Partial<Record<Look, number>>;
}

/** One look over a unit: what is to be painted before it, and who was looked over. */
export interface LookStanding {
  look: Look;
  /** Models that have all that is due before it and nothing of what comes after, with nothing to mend and not set aside. */
  ready: number[];
  /** Of those, the ones that were inspected. */
  inspected: number[];
  /** Models on which what comes after it has begun: what is found on them now costs more. */
  past: number[];
}

/** Where spots were missed before on this unit, the most often first. */
export interface TroubleSeen extends StepSaid {
  models: number[];
  notes: string[];
}

export interface UnitInspection {
  unitId: string;
  name: string;
  models: InspectedModel[];
  /** Only the looks that its scheme has something before and after. */
  looks: LookStanding[];
  /** The look that is due now: the first that some model is ready for and was not inspected; null when none is. */
  due: Look | null;
  trouble: TroubleSeen[];
}

/** Holds a unit against its roster, model by model. */
export function inspectUnit(
  unit: RosterUnit,
  { marks, aside, inspected, trouble }: Pick<BenchMarks, 'marks' | 'aside' | 'inspected' | 'trouble'>,
  { house, paints }: Pick<Roster, 'house' | 'paints'>,
): UnitInspection {
  const schools = schoolsOf(unit, house);
  const passes = passesOf(unit, unit.standard, house);
  const order = momentOrder(schools);
  const momentAt = new Map(
    passes.map((pass) => [
      pass.key,
      order.indexOf(momentOf(pass.step, paints.get(pass.dips[0]!.potId ?? '')?.kind === 'metallic', schools)),
    ]),
  );
  const leaders = new Set(leadersOf(unit.scheme));
  const isBefore = (pass: Pass, look: Look): boolean => BEFORE[look] === null || momentAt.get(pass.key)! < order.indexOf(BEFORE[look]);
  const said = (pass: Pass): StepSaid => ({ passKey: pass.key, what: workOnWords(pass.step, pass.where) });
  const lastTouched = (model: number, look: Look): number =>
    Math.max(-Infinity, ...passes.filter((pass) => isBefore(pass, look)).flatMap(({ key }) => marks.get(key)?.get(model)?.at ?? []));
  const inspectedAt = (model: number): InspectedModel['inspected'] =>
    Object.fromEntries(
      LOOKS.flatMap((look) => {
        const at = inspected.get(unit.id)?.get(look)?.get(model);
        return at === undefined || at < lastTouched(model, look) ? [] : [[look, at]];
      }),
    );
  const models = allModels(unit).map((model): InspectedModel => {
    const own = passes.filter((pass) => pass.models.includes(model));
    const markOf = (pass: Pass) => marks.get(pass.key)?.get(model);
    return {
      model,
      who: [...unit.scheme.groups, ...unit.scheme.variants.flatMap(({ options }) => options)]
        .filter((group) => group.models.includes(model))
        .map(({ name }) => name),
      isLeader: leaders.has(model),
      standard: standardOf(unit.scheme, model, unit.standard),
      takes: own.length,
      painted: own.filter((pass) => markOf(pass) && !markOf(pass)!.leftOut).map(said),
      left: own.filter((pass) => !doneModels(marks, pass.key).has(model)).map(said),
      without: own.filter((pass) => markOf(pass)?.leftOut).map(said),
      misses: own.flatMap((pass) => {
        const missed = markOf(pass)?.missed;
        return missed ? [{ ...said(pass), note: missed.note }] : [];
      }),
      aside: aside.get(unit.id)?.get(model) ?? null,
      inspected: inspectedAt(model),
    };
  });
  const isPainted = (pass: Pass, model: number) => !pass.models.includes(model) || doneModels(marks, pass.key).has(model);
  const looks = LOOKS.flatMap((look): LookStanding[] => {
    const before = passes.filter((pass) => isBefore(pass, look));
    const after = passes.filter((pass) => !isBefore(pass, look));
    if (before.length === 0 || (after.length === 0 && look !== 'end')) return [];
    const keys = new Set(before.map(({ key }) => key));
    const isSound = ({ misses, aside: why, takes }: InspectedModel) =>
      takes > 0 && why === null && !misses.some(({ passKey }) => keys.has(passKey));
    const isPast = ({ model }: InspectedModel) =>
      after.some((pass) => {
        const mark = marks.get(pass.key)?.get(model);
        return mark !== undefined && !mark.leftOut;
      });
    const ready = models.filter((each) => isSound(each) && !isPast(each) && before.every((pass) => isPainted(pass, each.model)));
    return [
      {
        look,
        ready: ready.map(({ model }) => model),
        inspected: ready.filter((each) => each.inspected[look] !== undefined).map(({ model }) => model),
        past: models.filter(isPast).map(({ model }) => model),
      },
    ];
  });
  return {
    unitId: unit.id,
    name: unit.name,
    models,
    looks,
    due: looks.find((each) => each.ready.length > each.inspected.length)?.look ?? null,
    trouble: troubleOf(unit.id, passes, trouble, said),
  };
}

function troubleOf(unitId: string, passes: readonly Pass[], trouble: BenchMarks['trouble'], said: (pass: Pass) => StepSaid): TroubleSeen[] {
  return passes
    .flatMap((pass): TroubleSeen[] => {
      const own = trouble.filter((spot) => spot.unit === unitId && spot.passKey === pass.key);
      if (own.length === 0) return [];
      return [
        {
          ...said(pass),
          models: [...new Set(own.flatMap((spot) => spot.models))].sort((a, b) => a - b),
          notes: [...new Set(own.map(({ note }) => note.trim()).filter(Boolean))],
        },
      ];
    })
    .sort((a, b) => b.models.length - a.models.length);
}

/** Painted to the end, with nothing open on it. */
export const isFinished = ({ takes, left, misses, aside }: Pick<InspectedModel, 'takes' | 'left' | 'misses' | 'aside'>): boolean =>
  takes > 0 && left.length === 0 && misses.length === 0 && aside === null;
