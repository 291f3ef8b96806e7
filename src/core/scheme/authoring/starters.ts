import { wholeScheme, type BriefPart, type BriefScheme, type BriefStep } from './briefScheme';
import type { Paint, Scheme, Size } from '../model/definitions';
import type { PaintKind } from '../model/paintKinds';

type ColourEntry = [name: string, hex: string, kind?: PaintKind];

/** Thirty common colours by plain names: they stand for no pot of anybody's until the painter matches them. */
const COLOURS = {
  pale: ['Pale primer', '#d9d6cf'],
  dark: ['Dark primer', '#3c3c3e'],
  white: ['Off white', '#f0eee6'],
  cream: ['Cream', '#e8dcc0'],
  sand: ['Sand', '#cdb689'],
  straw: ['Straw', '#c7a552'],
  yellow: ['Yellow', '#e2b52c'],
  orange: ['Orange', '#d8742c'],
  red: ['Red', '#a92c28'],
  wine: ['Dark red', '#6d2430'],
  pink: ['Pink', '#d596a5'],
  skinLight: ['Light skin', '#e3b493'],
  skin: ['Skin', '#c58a66'],
  skinDark: ['Dark skin', '#7c4f38'],
  tan: ['Tan', '#a5713c'],
  brown: ['Brown', '#6b4427'],
  darkBrown: ['Dark brown', '#3f2b1e'],
  green: ['Green', '#4d7038'],
  darkGreen: ['Dark green', '#28452f'],
  blue: ['Blue', '#2f5f93'],
  darkBlue: ['Dark blue', '#22304f'],
  sky: ['Light blue', '#86b2c4'],
  purple: ['Purple', '#64467a'],
  lightGrey: ['Light grey', '#a7adb0'],
  grey: ['Grey', '#5f676c'],
  black: ['Black', '#202022'],
  steel: ['Steel', '#8f9499', 'metallic'],
  gold: ['Gold', '#b58f3d', 'metallic'],
  brownWash: ['Brown wash', '#3a2a1c', 'wash'],
  matt: ['Matt varnish', '#ececec', 'varnish'],
} as const satisfies Record<string, ColourEntry>;
type Colour = keyof typeof COLOURS;

interface Starter extends BriefScheme<Colour> {
  name: string;
  /** Sizes it is offered for; for others it is offered behind those. */
  sizes: Size[];
}

const table = { standard: 'table' } as const;
const full = { standard: 'full' } as const;
const twoCoats = { coats: 2 } as const;

const around = (primer: Colour, wash = 0.85): BriefStep<Colour>[] => [
  ['prime', primer, 1],
  ['wash', 'brownWash', wash],
  ['varnish', 'matt', 1],
];
const base: BriefPart<Colour> = [
  'Base',
  [
    ['texture', 'darkBrown', 0.12],
    ['basecoat', 'brown', 0.12],
    ['drybrush', 'sand', 0.1],
    ['rim', 'black', 0.04],
  ],
];

/** Schemes to start from: each a plan as it stands, and every colour is there to be changed. Shares of the model are ours. */
// One line a part, read as a table.
// prettier-ignore
export const STARTERS: readonly Starter[] = [
  {
    name: 'Foot figure, table standard', sizes: ['foot', 'heavy'],
    parts: [
      ['Face and hands', [['basecoat', 'skin', 0.07], ['layer', 'skinLight', 0.03, table], ['eyes', 'white', 0.01, full]]],
      ['Shirt', [['basecoat', 'cream', 0.12], ['layer', 'white', 0.04, table]]],
      ['Trousers', [['basecoat', 'grey', 0.15], ['edge', 'lightGrey', 0.03, table]]],
      ['Coat', [['basecoat', 'blue', 0.22, twoCoats], ['edge', 'sky', 0.05, table]]],
      ['Belt and bags', [['basecoat', 'brown', 0.07], ['edge', 'tan', 0.02, table]]],
      ['Boots', [['basecoat', 'darkBrown', 0.06]]],
      ['Buckles', [['detail', 'gold', 0.01, table]]],
      base,
    ],
    allOver: around('pale'),
  },
  {
    name: 'Quick horde', sizes: ['foot', 'tiny'],
    parts: [
      ['Skin', [['basecoat', 'skin', 0.1]]],
      ['Clothes', [['basecoat', 'green', 0.4]]],
      ['Leather and wood', [['basecoat', 'brown', 0.15]]],
      ['Metal', [['basecoat', 'steel', 0.06]]],
      ['Base', [['basecoat', 'darkBrown', 0.12], ['drybrush', 'sand', 0.1], ['rim', 'black', 0.04]]],
    ],
    allOver: around('pale'),
  },
  {
    name: 'Robed figure', sizes: ['foot', 'heavy'],
    parts: [
      ['Face and hands', [['basecoat', 'skin', 0.06], ['layer', 'skinLight', 0.03, table]]],
      ['Inner robe', [['basecoat', 'cream', 0.15], ['glaze', 'sand', 0.08, table]]],
      ['Outer robe', [['basecoat', 'purple', 0.4, twoCoats], ['layer', 'pink', 0.1, table]]],
      ['Cord and staff', [['basecoat', 'brown', 0.06], ['drybrush', 'straw', 0.04, table]]],
      base,
    ],
    allOver: around('pale'),
  },
  {
    name: 'Figure with much metal', sizes: ['foot', 'heavy'],
    parts: [
      ['Face', [['basecoat', 'skin', 0.04], ['layer', 'skinLight', 0.02, table]]],
      ['Metal', [['basecoat', 'steel', 0.4], ['edge', 'steel', 0.08, table]]],
      ['Cloth', [['basecoat', 'red', 0.18], ['layer', 'orange', 0.05, table]]],
      ['Straps', [['basecoat', 'darkBrown', 0.06]]],
      ['Fittings', [['detail', 'gold', 0.02, table]]],
      base,
    ],
    allOver: around('dark'),
  },
  {
    name: 'Mounted', sizes: ['mounted', 'large'],
    parts: [
      ['Horse', [['basecoat', 'brown', 0.35], ['drybrush', 'tan', 0.2, table]]],
      ['Mane and hooves', [['basecoat', 'darkBrown', 0.08]]],
      ['Saddle and reins', [['basecoat', 'wine', 0.08], ['edge', 'red', 0.02, table]]],
      ['Rider, face and hands', [['basecoat', 'skin', 0.04], ['layer', 'skinLight', 0.02, table]]],
      ['Rider, clothes', [['basecoat', 'darkBlue', 0.15], ['edge', 'blue', 0.04, table]]],
      ['Buckles and bit', [['detail', 'steel', 0.01, table]]],
      base,
    ],
    allOver: around('pale'),
  },
  {
    name: 'Small vehicle', sizes: ['vehicle'],
    parts: [
      ['Underside', [['basecoat', 'darkBrown', 0.15]]],
      ['Wheels', [['basecoat', 'black', 0.1], ['drybrush', 'grey', 0.08, table]]],
      ['Body', [['basecoat', 'darkGreen', 0.5, twoCoats], ['edge', 'green', 0.06, table], ['sponge', 'darkBrown', 0.04, full]]],
      ['Metal parts', [['basecoat', 'steel', 0.08]]],
      ['Lamps', [['detail', 'yellow', 0.02, table]]],
    ],
    allOver: around('dark', 0.6),
  },
  {
    name: 'Scenery', sizes: ['scenery'],
    parts: [
      ['Stone', [['basecoat', 'grey', 0.4], ['drybrush', 'lightGrey', 0.35]]],
      ['Wood', [['basecoat', 'brown', 0.25], ['drybrush', 'tan', 0.2, table]]],
      ['Ground', [['basecoat', 'darkBrown', 0.2], ['drybrush', 'sand', 0.15]]],
    ],
    allOver: around('dark', 0.7),
  },
];

/** The starters for models of a size, those made for it first. */
export const startersFor = (size: Size): Starter[] =>
  [...STARTERS].sort((a, b) => Number(b.sizes.includes(size)) - Number(a.sizes.includes(size)));

/** A starter as a scheme, with the paints that it asks for, each with an id of its own. */
export function schemeOfStarter(starter: Starter, newId: () => string): { scheme: Scheme; paints: Paint[] } {
  const paints = new Map<Colour, Paint>();
  const paintId = (key: Colour): string => {
    const [name, hex, kind = 'opaque']: ColourEntry = COLOURS[key];
    if (!paints.has(key)) paints.set(key, { id: newId(), name, hex, kind, dryMinutes: null });
    return paints.get(key)!.id;
  };
  return { scheme: wholeScheme(starter, newId, paintId), paints: [...paints.values()] };
}

/** All thirty colours, for a shelf that is empty. */
export const commonPaints = (newId: () => string): Paint[] =>
  Object.values<ColourEntry>(COLOURS).map(([name, hex, kind = 'opaque']) => ({ id: newId(), name, hex, kind, dryMinutes: null }));
