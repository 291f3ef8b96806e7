import { SETTINGS, type Setting } from '../../contract/settings';
import type { Found } from '../../contract/search';
import type { StoredCommission } from '../../core/commission/definitions';
import { modelsOf, type Paint, type Step } from '../../core/scheme/model/definitions';
import { overWords, workWords } from '../../core/scheme/model/workWords';
import { potIdsOf } from '../../core/scheme/model/pots';
import type { WorkUnit } from '../workshop/loadWorkshop';

/** What can be looked for, with words beside those that are shown. */
export interface Entry extends Found {
  id: string;
  words: string;
}

const VIEWS: readonly [title: string, href: string, words: string][] = [
  ['Today', '/', 'home start tonight commissions'],
  ['New commission', '/new', 'add enter client order'],
  ['Colours', '/colours', 'contrast twins shared paints board'],
  ['Trays', '/trays', 'how many at a time split'],
  ['Line', '/line', 'order plan relay chart jobs dates'],
  ['Bench', '/bench', 'paint now timer undo'],
  ['Pedal', '/pedal', 'big button foot'],
  ['Ledger', '/ledger', 'log history charts estimate csv'],
  ['Shelf', '/shelf', 'paints pots stock buy'],
  ['Library', '/library', 'kept schemes recipes steps'],
  ['House rules', '/house-rules', 'settings preferences options'],
  ['Backups', '/backups', 'restore save copy'],
];

interface Searched {
  open: readonly StoredCommission[];
  closed: readonly StoredCommission[];
  units: readonly WorkUnit[];
  /** Paints and mixes by their pots. */
  pots: ReadonlyMap<string, Paint>;
  shelf: readonly (Paint & { maker?: string; place?: string })[];
}

export function entriesOf({ open, closed, units, pots, shelf }: Searched): Entry[] {
  const names = new Map(open.map(({ id, name }) => [id, name]));
  return [
    ...VIEWS.map(([title, href, words]) => entry('view', title, '', href, words)),
    ...open.flatMap(ofOpen),
    ...closed.map(({ id, name, client }) => entry('commission', name, `${client}, delivered`, `/c/${id}/money`, 'closed handed over')),
    ...units.flatMap((unit) => ofUnit(unit, names.get(unit.commissionId) ?? '', pots)),
    ...shelf.map((paint) => ({
      ...entry('paint', paint.name, [paint.kind, paint.maker, paint.place].filter(Boolean).join(', '), `/shelf?paint=${paint.id}`, 'pot'),
      hex: paint.hex,
    })),
    ...(Object.keys(SETTINGS) as Setting[]).map((key) =>
      entry('setting', SETTINGS[key].title, 'House rules', `/house-rules#${key}`, SETTINGS[key].words),
    ),
  ];
}

const entry = (kind: Entry['kind'], title: string, detail: string, href: string, words = ''): Entry => ({
  id: `${kind} ${href} ${title}`,
  kind,
  title,
  detail,
  href,
  words,
  hex: null,
});

const ofOpen = ({ id, name, client }: StoredCommission): Entry[] =>
  (
    [
      ['Intake', 'intake'],
      ['Scheme', 'scheme'],
      ['Money', 'money'],
      ['Finish', 'finish'],
    ] as const
  ).map(([view, path]) => entry('commission', name, `${view}, for ${client}`, `/c/${id}/${path}`));

function ofUnit(unit: WorkUnit, commission: string, pots: ReadonlyMap<string, Paint>): Entry[] {
  const { id, name, commissionId, scheme } = unit;
  const at = `/c/${commissionId}/scheme?unit=${id}`;
  const mixes = potIdsOf(scheme);
  const ofStep = (step: Step, part: string | null): Entry => {
    const pot = pots.get(step.mix === null ? (step.paint ?? '') : (mixes.get(step.mix) ?? ''));
    const where = part ?? overWords(step.over, scheme.parts);
    return {
      ...entry('step', workWords(step, where, pot?.name ?? null), `${name}, ${commission}`, `${at}&step=${step.id}`, step.note),
      hex: pot?.hex ?? null,
    };
  };
  return [
    entry('unit', name, `${modelsOf(unit)} models, ${commission}`, at),
    ...scheme.parts.flatMap((part) => part.steps.map((step) => ofStep(step, part.name))),
    ...scheme.allOver.map((step) => ofStep(step, null)),
  ];
}
