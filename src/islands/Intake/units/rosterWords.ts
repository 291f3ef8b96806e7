import type { IntakePicture, IntakeUnit } from '../../../contract/commission';
import type { WhoIsWho } from './WhoIsGone';

/** What tells the models of a unit apart: in which groups they are and what they get, those that are gone with what they were. */
export function whoIsWho({ units }: IntakePicture, { id, gone }: IntakeUnit): WhoIsWho[] {
  const stored = units.find((unit) => unit.id === id);
  if (!stored) return [];
  const { groups, variants } = stored.scheme;
  const was = new Map([...stored.gone, ...gone].map((each) => [each.model, each.in]));
  return [...groups, ...variants.flatMap(({ options }) => options)].map((place) => ({
    name: place.name,
    models: [...place.models, ...[...was].flatMap(([model, places]) => (places.includes(place.id) ? [model] : []))],
  }));
}

/** Leaders, groups and variants of a unit; a new one is all alike. */
export function rosterText({ units }: IntakePicture, unitId: string): string {
  const scheme = units.find((unit) => unit.id === unitId)?.scheme;
  const named = [
    ...(scheme?.groups ?? []).map((group) => `${group.models.length} ${group.name}`),
    ...(scheme?.variants ?? []).map((variant) => variant.name.toLowerCase()),
  ];
  return named.join(', ') || 'all alike';
}
