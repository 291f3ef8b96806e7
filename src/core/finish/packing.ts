import type { RosterUnit } from '../plan/build/roster';
import { expectedOf, modelsOf } from '../scheme/model/definitions';
import type { Box, Finishing, Return } from './definitions';

/** Where the models of a unit are when it is packed. `promised` is always `packed + unpacked + owned + notSent`. */
export interface UnitPacking {
  unitId: string;
  name: string;
  promised: number;
  owned: number;
  /** Promised and not in the box when it was counted, or more than were promised (negative): answered for at Intake. */
  notSent: number;
  notSentNote: string;
  packed: number;
  /** Still on the shelf; negative where more are packed than there are. */
  unpacked: number;
}

export const packedOf = (boxes: readonly Box[], unitId: string): number =>
  boxes.flatMap(({ layers }) => layers).reduce((sum, layer) => sum + (layer.unitId === unitId ? layer.models : 0), 0);

export function packingOf(
  unit: Pick<RosterUnit, 'id' | 'name' | 'promised' | 'owned' | 'counted' | 'countNote'>,
  boxes: readonly Box[],
): UnitPacking {
  const packed = packedOf(boxes, unit.id);
  return {
    unitId: unit.id,
    name: unit.name,
    promised: unit.promised,
    owned: unit.owned,
    notSent: expectedOf(unit) - modelsOf(unit),
    notSentNote: unit.countNote.trim(),
    packed,
    unpacked: modelsOf(unit) - packed,
  };
}

/** Lays what is not packed of a unit on top of a box; without a box in a new one. */
export function packRest(
  { boxes, ...rest }: Finishing,
  { unitId, models }: { unitId: string; models: number },
  boxId: string | null,
  newId: () => string,
): Finishing {
  if (models <= 0) return { boxes, ...rest };
  const layer = { id: newId(), unitId, models };
  if (boxId === null || !boxes.some(({ id }) => id === boxId))
    return { ...rest, boxes: [...boxes, { id: newId(), name: `Box ${boxes.length + 1}`, layers: [layer] }] };
  return { ...rest, boxes: boxes.map((box) => (box.id === boxId ? { ...box, layers: [...box.layers, layer] } : box)) };
}

export const modelsIn = ({ layers }: Pick<Box, 'layers'>): number => layers.reduce((sum, { models }) => sum + models, 0);

/** Of what goes back, what is not in a box yet. */
export const unreturned = (returns: readonly Return[]): number => returns.reduce((sum, { count, packed }) => sum + count - packed, 0);
