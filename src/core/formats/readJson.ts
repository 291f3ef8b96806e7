import { InputError } from '../kernel/InputError';

/** No format of ours is nested deeper than a dozen levels. */
const MOST_LEVELS = 64;

/** JSON that came from outside. Throws an `InputError` for what is none, or is nested deeper than anything of ours. */
export function readJson(given: string, field = 'the request', remedy = 'send valid JSON'): unknown {
  const text = given.startsWith(BYTE_ORDER_MARK) ? given.slice(1) : given;
  if (depthOf(text) > MOST_LEVELS) throw new InputError(field, text, `nest lists and objects at most ${MOST_LEVELS} deep`);
  const value = parsed(text, field, remedy);
  const name = mayNameInherited(text) ? inheritedName(value) : null;
  if (name !== null) throw new InputError(`a field of ${field}`, name, 'leave it out: no format of ours has one of that name');
  return value;
}

const BYTE_ORDER_MARK = '\uFEFF';

function parsed(text: string, field: string, remedy: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new InputError(field, text, remedy);
  }
}

/** What every object answers to, whether it has it or not. */
const INHERITED = Object.getOwnPropertyNames(Object.prototype);

/** Most files have none of these words, and nothing that could spell one in another way. */
const mayNameInherited = (text: string): boolean => text.includes('\\u') || INHERITED.some((name) => text.includes(`"${name}"`));

/** A field named as one of them; null where there is none. No format of ours has one, and tables must not be asked by it. */
function inheritedName(value: unknown): string | null {
  if (typeof value !== 'object' || value === null) return null;
  for (const [key, inner] of Object.entries(value)) {
    const found = !Array.isArray(value) && INHERITED.includes(key) ? key : inheritedName(inner);
    if (found !== null) return found;
  }
  return null;
}

/** How deep brackets stand in each other, those inside strings left out; good JSON or not. */
function depthOf(text: string): number {
  let [depth, deepest, inString] = [0, 0, false];
  for (let at = 0; at < text.length; at++) {
    const code = text.charCodeAt(at);
    if (inString) {
      if (code === 0x5c) at++;
      else if (code === 0x22) inString = false;
    } else if (code === 0x22) inString = true;
    else if (code === 0x5b || code === 0x7b) deepest = Math.max(deepest, ++depth);
    else if (code === 0x5d || code === 0x7d) depth--;
  }
  return deepest;
}
