/**
 * What is removed or disabled takes the focus with it, and who works by keyboard would begin again at the top of the page: the focus goes
 * on at what stands in its place, or nearest to it. Not on the bench, where Space means the model and nothing else.
 */

const FOCUSABLE =
  'a[href], button:not(:disabled), input:not(:disabled), select:not(:disabled), textarea:not(:disabled), summary, [tabindex="0"]';
/** So far up it is looked for what stands near. */
const HEIGHT = 8;

interface Place {
  around: Element;
  /** Among what can take the focus in there. */
  index: number;
}

let last: Element | null = null;
let places: Place[] = [];

function remember(element: Element): void {
  last = element;
  places = [];
  for (let around = element.parentElement; around && around !== document.body && places.length < HEIGHT; around = around.parentElement)
    places.push({ around, index: [...around.querySelectorAll(FOCUSABLE)].indexOf(element) });
}

const isLost = (): boolean => document.activeElement === document.body && last !== null && (!last.isConnected || last.matches(':disabled'));

function goOn(): void {
  if (!isLost()) return;
  last = null;
  for (const { around, index } of places) {
    if (!around.isConnected) continue;
    const all = [...around.querySelectorAll<HTMLElement>(FOCUSABLE)];
    // What stands in its place now, else what stood before it.
    const near = [...all.slice(index), ...all.slice(0, index).reverse()].find((each) => each.checkVisibility());
    if (!near) continue;
    near.focus({ preventScroll: true });
    return;
  }
}

export function keepFocus(): void {
  document.addEventListener('focusin', (event) => event.target instanceof Element && remember(event.target));
  const options = { childList: true, subtree: true, attributes: true, attributeFilter: ['disabled'] };
  // A moment later: whoever removed it may put the focus where it wants it.
  new MutationObserver(() => isLost() && requestAnimationFrame(goOn)).observe(document.body, options);
}
