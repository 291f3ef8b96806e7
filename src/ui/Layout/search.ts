/** Looks for anything from any view: what is typed is sent to the program, what it finds can be gone to. */

interface Found {
  kind: string;
  title: string;
  detail: string;
  href: string;
  hex: string | null;
}

const PAUSE_MS = 120;

const dialog = document.querySelector<HTMLDialogElement>('#search')!;
const field = dialog.querySelector('input')!;
const list = dialog.querySelector('ul')!;
const said = dialog.querySelector('p')!;

let shown: Found[] = [];
let active = 0;
let asking: AbortController | null = null;
let pause: ReturnType<typeof setTimeout> | undefined;

export function open(): void {
  if (dialog.open) return;
  dialog.showModal();
  field.focus();
  field.select();
}

const optionId = (index: number) => `search-${index}`;

function choose(index: number): void {
  active = index;
  for (const [at, option] of [...list.children].entries()) option.setAttribute('aria-selected', String(at === index));
  if (shown.length === 0) field.removeAttribute('aria-activedescendant');
  else field.setAttribute('aria-activedescendant', optionId(index));
  list.children[index]?.scrollIntoView({ block: 'nearest' });
}

function optionOf({ kind, title, detail, hex }: Found, index: number): HTMLLIElement {
  const option = document.createElement('li');
  option.id = optionId(index);
  option.setAttribute('role', 'option');
  const what = document.createElement('small');
  what.textContent = kind;
  const pot = document.createElement('span');
  if (hex !== null) {
    pot.className = 'pot';
    pot.style.background = hex;
  }
  const name = document.createElement('span');
  name.append(title);
  if (detail !== '') {
    const where = document.createElement('small');
    where.textContent = ` ${detail}`;
    name.append(where);
  }
  option.append(what, pot, name);
  option.addEventListener('click', () => go(index));
  return option;
}

function show(found: Found[], words: string): void {
  shown = found;
  list.replaceChildren(...found.map(optionOf));
  field.setAttribute('aria-expanded', String(found.length > 0));
  said.textContent = words;
  choose(0);
}

function go(index: number): void {
  const found = shown[index];
  if (!found) return;
  dialog.close();
  const isHere = new URL(found.href, window.location.href).pathname === window.location.pathname;
  window.location.assign(found.href);
  // Another part of the same view: an address that differs behind the # alone does not read the page again.
  if (isHere && found.href.includes('#')) document.getElementById(found.href.split('#')[1]!)?.scrollIntoView();
}

async function ask(words: string): Promise<void> {
  asking?.abort();
  if (words.trim() === '') return show([], '');
  const turn = new AbortController();
  asking = turn;
  try {
    const answer = await fetch(`/api/search?words=${encodeURIComponent(words.trim())}`, { signal: turn.signal });
    if (!answer.ok)
      throw new Error(answer.status === 403 ? 'This device may not search: do it at the computer.' : 'The search failed: try again.');
    const { found, more } = (await answer.json()) as { found: Found[]; more: number };
    show(
      found,
      found.length === 0
        ? `Nothing is called “${words.trim()}”: try fewer letters.`
        : `${found.length} found${more > 0 ? `, and ${more} more` : ''}`,
    );
  } catch (problem) {
    if (turn.signal.aborted) return;
    show([], problem instanceof TypeError ? 'The program does not answer: try again when it is back.' : (problem as Error).message);
  }
}

field.addEventListener('input', () => {
  clearTimeout(pause);
  pause = setTimeout(() => void ask(field.value), PAUSE_MS);
});
field.addEventListener('keydown', (event) => {
  const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
  if (by !== undefined && shown.length > 0) choose((active + by + shown.length) % shown.length);
  else if (event.key === 'Enter') go(active);
  else return;
  event.preventDefault();
  event.stopPropagation();
});
// Beside it is out of it.
dialog.addEventListener('click', (event) => {
  if (event.target === dialog) dialog.close();
});
