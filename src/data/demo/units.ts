import { wholeScheme, type BriefPart, type BriefScheme, type BriefStep } from '../../core/scheme/authoring/briefScheme';
import { UNCOUNTED, type Size, type Unit } from '../../core/scheme/model/definitions';
import type { PaintKey } from './paints';

type StepEntry = BriefStep<PaintKey>;
type PartEntry = BriefPart<PaintKey>;

interface UnitEntry extends BriefScheme<PaintKey> {
  name: string;
  size: Size;
  promised: number;
  counted?: number;
  trayLimit?: number;
  testModel?: Unit['testModel'];
}

const table = { standard: 'table' } as const;
const full = { standard: 'full' } as const;
const twoCoats = { coats: 2 } as const;
const leadersOnly = { leadersOnly: true, standard: 'table' } as const;

const base = (paste: PaintKey, colour: PaintKey, light: PaintKey): PartEntry => [
  'Base',
  [
    ['texture', paste, 0.12],
    ['basecoat', colour, 0.12],
    ['drybrush', light, 0.1],
    ['scatter', null, 0.05],
    ['rim', 'tar', 0.04],
  ],
];

const ground = (primer: PaintKey, wash: PaintKey): StepEntry[] => [
  ['prime', primer, 1],
  ['wash', wash, 0.85, { strength: '1:1 with medium', note: 'draw the pools out of the face' }],
  ['varnish', 'matt', 1],
];

// One line a part, read as a table.
// prettier-ignore
export const TIDE_COAST: UnitEntry[] = [
  {
    name: 'Lamp keepers', size: 'foot', promised: 20, leaders: 1, trayLimit: 10,
    parts: [
      ['Face and hands', [['basecoat', 'cheek', 0.06], ['layer', 'brow', 0.03, table], ['eyes', 'foam', 0.01, full]]],
      ['Jersey', [['basecoat', 'mussel', 0.14], ['layer', 'offshore', 0.05, table]]],
      ['Trousers', [['basecoat', 'slate', 0.14], ['edge', 'gullGrey', 0.03, table]]],
      ['Oilskin coat', [['basecoat', 'oilskin', 0.26, twoCoats], ['edge', 'sailcloth', 0.05, table]]],
      ['Belt and boots', [['basecoat', 'peat', 0.08], ['edge', 'saddle', 0.02, table]]],
      ['Lantern', [['basecoat', 'brass', 0.05], ['translucent', 'lampGlow', 0.02, { note: 'from the middle of the glass outwards' }], ['gloss-effect', 'gloss', 0.02, table]]],
      ['Whistle and badge', [['detail', 'herring', 0.01, leadersOnly]]],
      base('shingle', 'driftwood', 'cuttle'),
    ],
    allOver: ground('fogPrimer', 'bogWash'),
  },
  {
    name: 'Reed cutters', size: 'foot', promised: 18, trayLimit: 9,
    parts: [
      ['Face and arms', [['basecoat', 'dusk', 0.09], ['layer', 'cheek', 0.04, table]]],
      ['Shirt', [['basecoat', 'sailcloth', 0.15], ['layer', 'foam', 0.05, table]]],
      ['Trousers', [['basecoat', 'slate', 0.15], ['edge', 'gullGrey', 0.03, table]]],
      ['Apron', [['basecoat', 'saddle', 0.14], ['edge', 'reed', 0.04, table]]],
      ['Reed bundle', [['basecoat', 'reed', 0.16], ['drybrush', 'cuttle', 0.12, table]]],
      ['Sickle', [['basecoat', 'anchor', 0.03]]],
      ['Handle and boots', [['basecoat', 'peat', 0.08]]],
      base('mudflat', 'driftwood', 'cuttle'),
    ],
    allOver: ground('fogPrimer', 'bogWash'),
  },
  {
    name: 'Ferry crew', size: 'heavy', promised: 8, trayLimit: 8,
    parts: [
      ['Face and hands', [['basecoat', 'cheek', 0.06], ['layer', 'brow', 0.03, table]]],
      ['Jersey', [['basecoat', 'mussel', 0.16], ['layer', 'offshore', 0.05, table]]],
      ['Oilskins', [['basecoat', 'oilskin', 0.24, twoCoats], ['edge', 'sailcloth', 0.05, table]]],
      ['Rope', [['basecoat', 'reed', 0.07], ['drybrush', 'cuttle', 0.05, table]]],
      ['Oar', [['basecoat', 'driftwood', 0.1], ['edge', 'sailcloth', 0.03, table]]],
      ['Boots', [['basecoat', 'tar', 0.07], ['edge', 'gullGrey', 0.02, table]]],
      base('mudflat', 'driftwood', 'cuttle'),
    ],
    allOver: ground('fogPrimer', 'bogWash'),
  },
  {
    name: 'Pony couriers', size: 'mounted', promised: 10, leaders: 1, trayLimit: 10,
    parts: [
      ['Pony', [['basecoat', 'chestnut', 0.4], ['drybrush', 'dun', 0.2, table]]],
      ['Mane and tail', [['basecoat', 'tar', 0.06], ['edge', 'gullGrey', 0.02, table]]],
      ['Rider face', [['basecoat', 'cheek', 0.03], ['layer', 'brow', 0.015, table]]],
      ['Rider jacket', [['basecoat', 'bottle', 0.12], ['layer', 'samphire', 0.04, table]]],
      ['Trousers', [['basecoat', 'slate', 0.06]]],
      ['Saddle and reins', [['basecoat', 'peat', 0.1], ['edge', 'saddle', 0.03, table]]],
      ['Post bag', [['basecoat', 'buoy', 0.06], ['edge', 'crab', 0.02, table]]],
      ['Buckles', [['detail', 'brass', 0.02]]],
      base('shingle', 'driftwood', 'cuttle'),
    ],
    allOver: ground('fogPrimer', 'bogWash'),
  },
];

// One line a part, read as a table.
// prettier-ignore
export const MARKET_SQUARE: UnitEntry[] = [
  {
    name: 'Market townsfolk', size: 'foot', promised: 24, trayLimit: 12, testModel: 'waiting',
    parts: [
      ['Face and hands', [['basecoat', 'cheek', 0.06], ['layer', 'brow', 0.03, table], ['eyes', 'foam', 0.01, full]]],
      ['Shirt', [['basecoat', 'sailcloth', 0.12], ['layer', 'foam', 0.04, table]]],
      ['Skirt or breeches', [['basecoat', 'heather', 0.2], ['layer', 'thrift', 0.06, table]]],
      ['Waistcoat', [['basecoat', 'bottle', 0.12], ['edge', 'dune', 0.03, table]]],
      ['Basket', [['basecoat', 'reed', 0.1], ['drybrush', 'cuttle', 0.07, table]]],
      ['Shoes', [['basecoat', 'peat', 0.05], ['edge', 'saddle', 0.02, table]]],
      base('shingle', 'gullGrey', 'foam'),
    ],
    allOver: ground('fogPrimer', 'stormWash'),
  },
  {
    name: 'Stalls and handcarts', size: 'scenery', promised: 6, trayLimit: 6,
    parts: [
      ['Timber', [['basecoat', 'driftwood', 0.4], ['drybrush', 'cuttle', 0.3, table]]],
      ['Wheels', [['basecoat', 'peat', 0.1], ['edge', 'saddle', 0.03, table]]],
      ['Awning', [['basecoat', 'sailcloth', 0.2, twoCoats], ['freehand', 'buoy', 0.08, table]]],
      ['Iron bands', [['basecoat', 'anchor', 0.05], ['sponge', 'copper', 0.03, full]]],
      ['Fish and fruit', [['detail', 'herring', 0.05], ['detail', 'crab', 0.04]]],
      ['Cobbles', [['basecoat', 'slate', 0.15], ['drybrush', 'gullGrey', 0.12, table]]],
    ],
    allOver: ground('darkPrimer', 'stormWash'),
  },
  {
    name: 'Geese and hens', size: 'tiny', promised: 14, trayLimit: 14,
    parts: [
      ['Feathers', [['basecoat', 'foam', 0.6], ['layer', 'sailcloth', 0.2, table]]],
      ['Wings', [['basecoat', 'gullGrey', 0.15]]],
      ['Beak', [['detail', 'yolk', 0.03]]],
      ['Comb', [['detail', 'buoy', 0.02]]],
      base('shingle', 'gullGrey', 'foam'),
    ],
    allOver: ground('fogPrimer', 'stormWash'),
  },
];

// One line a part, read as a table.
// prettier-ignore
export const CHESS_CLUB: UnitEntry[] = [
  {
    name: 'Chess champions', size: 'foot', promised: 16, counted: 15, trayLimit: 8,
    parts: [
      ['Face and hands', [['basecoat', 'brow', 0.06], ['layer', 'cuttle', 0.03, table]]],
      ['Shirt', [['basecoat', 'foam', 0.12]]],
      ['School jumper', [['basecoat', 'mussel', 0.2, twoCoats], ['layer', 'offshore', 0.06, table]]],
      ['Trousers or skirt', [['basecoat', 'slate', 0.16], ['edge', 'gullGrey', 0.03, table]]],
      ['Chess board', [['basecoat', 'cuttle', 0.1], ['freehand', 'tar', 0.05]]],
      ['Hair', [['basecoat', 'chestnut', 0.05], ['drybrush', 'dun', 0.03, table]]],
      ['Shoes', [['basecoat', 'tar', 0.04]]],
      ['Medal', [['detail', 'brass', 0.01], ['gloss-effect', 'gloss', 0.01, table]]],
      base('mudflat', 'peat', 'reed'),
    ],
    allOver: ground('fogPrimer', 'bogWash'),
  },
  {
    name: 'Trophy plinths', size: 'scenery', promised: 4, trayLimit: 4,
    parts: [
      ['Wooden foot', [['basecoat', 'chestnut', 0.3], ['edge', 'saddle', 0.06, table]]],
      ['Column', [['basecoat', 'foam', 0.25, twoCoats], ['glaze', 'inkTint', 0.1, table]]],
      ['Cup', [['basecoat', 'brass', 0.2], ['glaze', 'rustTint', 0.06, table]]],
      ['Ribbon', [['basecoat', 'buoy', 0.06], ['edge', 'crab', 0.02, table]]],
      ['Name plate', [['freehand', 'tar', 0.02]]],
    ],
    allOver: [['prime', 'fogPrimer', 1], ['wash', 'brickWash', 0.5], ['varnish', 'gloss', 1]],
  },
];

/** Builds a unit of the demo from its entry. */
// prettier-ignore
export const REGATTA: UnitEntry[] = [
  {
    name: 'Regatta rowers', size: 'foot', promised: 8, counted: 8, leaders: 1, trayLimit: 8,
    parts: [
      ['Face and arms', [['basecoat', 'cheek', 0.1], ['layer', 'brow', 0.04, table]]],
      ['Shirt', [['basecoat', 'foam', 0.2]]],
      ['Trousers', [['basecoat', 'slate', 0.16], ['edge', 'gullGrey', 0.03, table]]],
      ['Cap', [['basecoat', 'buoy', 0.05]]],
      ['Oar', [['basecoat', 'driftwood', 0.08], ['edge', 'sailcloth', 0.02, table]]],
      base('shingle', 'driftwood', 'cuttle'),
    ],
    allOver: ground('fogPrimer', 'bogWash'),
  },
  {
    name: 'Racing gigs', size: 'vehicle', promised: 3, counted: 3, trayLimit: 3,
    parts: [
      ['Hull', [['basecoat', 'mussel', 0.5], ['edge', 'offshore', 0.06, table]]],
      ['Thwarts', [['basecoat', 'driftwood', 0.2]]],
      ['Oars', [['basecoat', 'sailcloth', 0.08]]],
      ['Rowlocks', [['detail', 'brass', 0.02]]],
      ['Trim', [['detail', 'buoy', 0.05]]],
    ],
    allOver: [['prime', 'fogPrimer', 1], ['varnish', 'matt', 1], ['gloss-effect', 'gloss', 0.1, { standard: 'full' }]],
  },
];

export const demoUnit = (entry: UnitEntry, newId: () => string, paintId: (key: PaintKey) => string): Unit => ({
  id: newId(),
  name: entry.name,
  size: entry.size,
  promised: entry.promised,
  ...UNCOUNTED,
  counted: entry.counted ?? entry.promised,
  trayLimit: entry.trayLimit ?? 10,
  testModel: entry.testModel ?? 'none',
  scheme: wholeScheme(entry, newId, paintId),
});
