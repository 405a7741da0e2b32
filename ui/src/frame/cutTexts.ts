/** Marks a tooltip that was made here. */
const MADE = 'cutText';

/** Gives every text that is cut off, wherever it stands, a tooltip with the whole of it when the pointer comes. */
export function tellCutTexts() {
  document.addEventListener('mouseover', (e) => {
    const el =
      e.target instanceof Element ? e.target.closest<HTMLElement>('.truncate, select') : null;
    if (!el) return;
    const told = el.closest('[title]') ?? el.querySelector('[title]');
    if (told && !(MADE in el.dataset)) return;
    // how much of a choice is seen, a browser does not say
    const text = el instanceof HTMLSelectElement ? el.selectedOptions[0]?.text : el.textContent;
    if (text && (el instanceof HTMLSelectElement || el.scrollWidth > el.clientWidth)) {
      el.title = text;
      el.dataset[MADE] = '';
    } else {
      el.removeAttribute('title');
      delete el.dataset[MADE];
    }
  });
}
