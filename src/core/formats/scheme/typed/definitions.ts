import type { Mix, MixShare, Over, Paint, StepFor } from '../../../scheme/model/definitions';
import type { OwnTechnique, Technique } from '../../../scheme/model/techniques';

/** What a typed line may name beside the shipped techniques. */
export interface KnownNames {
  /** On the shelf. */
  paints: readonly Paint[];
  /** Colours by plain names that are not on the shelf; looked at after it. */
  common?: readonly Paint[];
  /** The painter's own. */
  techniques?: readonly OwnTechnique[];
  mixes?: readonly Mix[];
  /** Groups and options of variants. */
  who?: readonly { id: string; name: string }[];
  /** Names of the parts that are there. */
  parts?: readonly string[];
}

export interface TypedScheme {
  lines: TypedLine[];
  /** What could not be taken, by line, counted from 1. */
  problems: { line: number; message: string }[];
}

export interface TypedLine {
  /** Counted from 1. */
  line: number;
  /** Null for what goes over everything, or over several parts. */
  part: string | null;
  /** Its share of the model; null where nobody has said. */
  surface: number | null;
  /** Names of parts; left out for everything. */
  over?: Over;
  steps: TypedStep[];
}

/** A mix by its shares, as it was typed. */
export interface TypedMix {
  name: string;
  of: MixShare[];
}

export interface TypedStep {
  technique: Technique;
  /** The painter's own; left out for a shipped one. */
  own?: OwnTechnique;
  paint: Paint | null;
  /** A mix of the scheme, or one that was typed by its shares; left out where there is none. */
  mix?: Mix | TypedMix;
  /** As they were typed, where neither shelf nor scheme has one of that name. */
  unknownPaints: string[];
  coats: number;
  for: StepFor;
  /** As they were typed, where the unit has no group or option of that name. */
  unknownWho: string[];
}
