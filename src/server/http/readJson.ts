import { InputError } from '../../core/formats/InputError';

/** No format of ours is nested deeper than a dozen levels. */
const MOST_LEVELS = 64;

/** JSON that came from outside. Throws an `InputError` for what is none, or is nested deeper than anything of ours. */
export function readJson(text: string, field = 'the request', remedy = 'send valid JSON'): unknown {
  if (depthOf(text) > MOST_LEVELS) throw new InputError(field, text, `nest lists and objects at most ${MOST_LEVELS} deep`);
  try {
    return JSON.parse(text);
  } catch {
    throw new InputError(field, text, remedy);
  }
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
