/** What the frame around every view does: the theme, the list of shortcuts, the search, the keys to the stations, and the part of a view that an address names. */

import { isTyping } from '../isTyping';
import { keepFocus } from './keepFocus';

const YEAR_SECONDS = 31_536_000;
const themeChoice = document.querySelector<HTMLSelectElement>('#theme')!;
const keysDialog = document.querySelector<HTMLDialogElement>('#keys')!;

themeChoice.addEventListener('change', () => {
  const theme = themeChoice.value;
  if (theme === '') delete document.documentElement.dataset['theme'];
  else document.documentElement.dataset['theme'] = theme;
  document.cookie = `theme=${theme}; path=/; max-age=${theme === '' ? 0 : YEAR_SECONDS}; samesite=strict`;
});

document.querySelector('#keys-button')!.addEventListener('click', () => keysDialog.showModal());

const openSearch = () => void import('./search').then(({ open }) => open());
document.querySelector('#search-button')!.addEventListener('click', openSearch);

document.addEventListener('keydown', (event) => {
  if (event.key === '?' && !isTyping(event.target) && !keysDialog.open) keysDialog.showModal();
  const isBare = !event.altKey && !event.ctrlKey && !event.metaKey;
  if (event.key === '/' && isBare && !isTyping(event.target) && !document.querySelector('dialog[open]')) {
    // The key itself is not looked for.
    event.preventDefault();
    openSearch();
  }
  if (event.altKey && /^Digit\d$/.test(event.code)) {
    // The tenth is the key behind the ninth.
    const station = event.code === 'Digit0' ? '10' : event.code.slice(5);
    const link = document.querySelector<HTMLAnchorElement>(`[data-station="${station}"]`);
    if (link) {
      event.preventDefault();
      link.click();
    }
  }
});

if (!document.body.classList.contains('bare')) keepFocus();

/** Views are drawn after the page: what an address names may come later. */
const ARRIVAL_MS = 8000;
const arriving = decodeURIComponent(window.location.hash.slice(1));
if (arriving !== '' && !document.getElementById(arriving)) {
  const watch = new MutationObserver(() => {
    const place = document.getElementById(arriving);
    if (!place) return;
    watch.disconnect();
    place.scrollIntoView();
  });
  watch.observe(document.body, { childList: true, subtree: true });
  setTimeout(() => watch.disconnect(), ARRIVAL_MS);
}
