import type { Paint } from '../../core/scheme/model/definitions';
import type { PaintKind } from '../../core/scheme/model/paintKinds';

type PaintEntry = [key: string, name: string, hex: string, kind: PaintKind, dryMinutes?: number];

/** The demo shelf. Every name is made up; colours stand for nothing that is sold. */
const ENTRIES: PaintEntry[] = [
  ['fogPrimer', 'Fog primer', '#c9c6be', 'primer', 30],
  ['darkPrimer', 'Low-water primer', '#3a3b3d', 'primer', 30],
  ['peat', 'Peat', '#4a3524', 'opaque'],
  ['saddle', 'Saddle tan', '#8c5a2e', 'opaque'],
  ['driftwood', 'Driftwood', '#9c8b73', 'opaque'],
  ['reed', 'Reed straw', '#c2a75b', 'opaque'],
  ['sailcloth', 'Sailcloth', '#e2d8bd', 'opaque'],
  ['foam', 'Foam white', '#f4f3ec', 'opaque'],
  ['cuttle', 'Cuttlebone', '#e9dfc8', 'opaque'],
  ['slate', 'Wet slate', '#4d5861', 'opaque'],
  ['gullGrey', 'Gull grey', '#9aa3a8', 'opaque'],
  ['tar', 'Harbour tar', '#1f1f22', 'opaque'],
  ['mussel', 'Mussel blue', '#2b3a5c', 'opaque'],
  ['offshore', 'Offshore blue', '#3f6f9e', 'opaque'],
  ['shallow', 'Shallow water', '#7fb0b5', 'opaque'],
  ['samphire', 'Samphire', '#5f7d3a', 'opaque'],
  ['dune', 'Dune grass', '#9aa860', 'opaque'],
  ['bottle', 'Bottle green', '#1f4a3a', 'opaque'],
  ['buoy', 'Buoy red', '#b2322b', 'opaque'],
  ['crab', 'Boiled crab', '#d9653b', 'opaque'],
  ['thrift', 'Thrift pink', '#d68fa6', 'opaque'],
  ['heather', 'Sea heather', '#6d4c77', 'opaque'],
  ['yolk', 'Duck yolk', '#e7a92b', 'opaque'],
  ['oilskin', 'Oilskin yellow', '#d6b02e', 'opaque'],
  ['cheek', 'Windburnt cheek', '#c98a6a', 'opaque'],
  ['brow', 'Pale brow', '#e8bd9d', 'opaque'],
  ['dusk', 'Dusk skin', '#7a4a35', 'opaque'],
  ['chestnut', 'Chestnut coat', '#6b3a22', 'opaque'],
  ['dun', 'Dun coat', '#b08d5f', 'opaque'],
  ['lampGlow', 'Lamp glow', '#f7d774', 'translucent'],
  ['kelpTint', 'Kelp tint', '#4c5a28', 'translucent'],
  ['rustTint', 'Rust tint', '#9a4a20', 'translucent'],
  ['inkTint', 'Ink tint', '#28304a', 'translucent'],
  ['bogWash', 'Bog wash', '#3b2a1c', 'wash'],
  ['stormWash', 'Storm wash', '#26303a', 'wash'],
  ['brickWash', 'Brick wash', '#7a3826', 'wash'],
  ['brass', 'Ship brass', '#b08a3c', 'metallic'],
  ['anchor', 'Anchor iron', '#6e7276', 'metallic'],
  ['herring', 'Herring silver', '#b9bec2', 'metallic'],
  ['copper', 'Kettle copper', '#a8653d', 'metallic'],
  ['shingle', 'Shingle paste', '#8f8778', 'texture', 90],
  ['mudflat', 'Mudflat paste', '#5e5040', 'texture', 120],
  ['matt', 'Dry-stone matt', '#dcdcdc', 'varnish', 60],
  ['gloss', 'Rock-pool gloss', '#ececec', 'varnish', 120],
];

export type PaintKey = string;

/** The shelf, and the id of each paint by its key. */
export function demoPaints(newId: () => string): { paints: Paint[]; idOf: (key: PaintKey) => string } {
  const paints = ENTRIES.map(([, name, hex, kind, dryMinutes]): Paint => ({
    id: newId(),
    name,
    hex,
    kind,
    dryMinutes: dryMinutes ?? null,
  }));
  const ids = new Map(ENTRIES.map(([key], index) => [key, paints[index]!.id]));
  return {
    paints,
    idOf: (key) => {
      const id = ids.get(key);
      if (!id) throw new Error(`demo paints: no paint has the key ${key}`);
      return id;
    },
  };
}
