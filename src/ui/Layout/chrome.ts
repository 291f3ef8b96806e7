/** What the frame around every view does: the theme, the list of shortcuts, and the keys to the stations. */

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

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement && target.matches('input, select, textarea, [contenteditable]');

document.addEventListener('keydown', (event) => {
  if (event.key === '?' && !isTyping(event.target) && !keysDialog.open) keysDialog.showModal();
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
