/** What taking a commission file in has come to. */
export interface ImportedCommission {
  id: string;
  /** Names of paints that are on the shelf otherwise than in the file, and stay as they are. */
  paintsKept: string[];
  /** Paints that came although the shelf has one of the same name, kind and colour: by their ids. */
  doubles: { name: string; keep: string; replace: string }[];
}
