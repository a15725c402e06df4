const KEPT = 'dewpond-large-letters';
/** All sizes of the page hang on this one. */
const LARGE = '125%';

/** As chosen on this telephone; a browser that keeps nothing starts as usual. */
export function largeLetters(): boolean {
  try {
    return localStorage.getItem(KEPT) === 'yes';
  } catch {
    return false;
  }
}

export function showLarge(large: boolean): void {
  document.documentElement.style.fontSize = large ? LARGE : '';
  try {
    localStorage.setItem(KEPT, large ? 'yes' : 'no');
  } catch {
    // It holds until the page is closed.
  }
}
