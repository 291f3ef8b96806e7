import { fileURLToPath } from 'node:url';

/** The folder of the project, found from where this very code lies: in the sources, or in what the build has made of them. */
function root(): string {
  const here = import.meta.url;
  return here.slice(0, Math.max(here.lastIndexOf('/src/'), here.lastIndexOf('/dist/')) + 1);
}

/** What the build has made, by its name in the folder of the build, whichever folder the program was started in. */
export const builtFile = (name: string): string => fileURLToPath(`${root()}dist/${name}`);
