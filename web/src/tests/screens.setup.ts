import 'fake-indexeddb/auto';
import { cleanup, configure } from '@testing-library/react';
import { afterEach, expect, vi } from 'vitest';
import { answers, outbox, ownWork, storage } from '../data/device';
import { queryClient } from '../data/queries';
import { forgetNotes } from '../ui/tell';
import { makeDocumentQuick } from './quickDocument';

// A whole document in every failure hides what failed.
configure({ asyncUtilTimeout: 8000, getElementError: (message) => new Error(message ?? 'not found') });

makeDocumentQuick();

/** What a browser has and the test's document has not. */
class Unobserved {
  observe() {}
  unobserve() {}
  disconnect() {}
}
vi.stubGlobal('ResizeObserver', Unobserved);
/** A desk with a mouse, by day. */
vi.stubGlobal('matchMedia', (query: string) => ({
  matches: query.includes('fine'),
  addEventListener: () => undefined,
  removeEventListener: () => undefined,
}));
Element.prototype.scrollIntoView = () => undefined;
Element.prototype.hasPointerCapture = () => false;
Element.prototype.setPointerCapture = () => undefined;
Element.prototype.releasePointerCapture = () => undefined;

afterEach(async () => {
  cleanup();
  await forgetDevice();
  queryClient.clear();
  localStorage.clear();
  forgetNotes();
  // A dialog that was open when its test ended leaves the page out of reach of the pointer.
  document.body.removeAttribute('style');
});

/** A device as it comes out of its box. */
async function forgetDevice(): Promise<void> {
  outbox.close();
  await answers.forget();
  await storage.clear();
  await ownWork.count();
}

const words = (element: Element) => (element.textContent ?? '').replaceAll(/\s+/g, ' ');
expect.extend({
  toHaveWords: (element: Element, wanted: RegExp) => ({
    pass: wanted.test(words(element)),
    message: () => `expected "${words(element)}" to say ${wanted}`,
  }),
  toBeDisabledAnd: (button: HTMLButtonElement, wanted: RegExp) => ({
    pass: button.disabled && wanted.test(words(button)),
    message: () => `expected a button out of use that says ${wanted}, not "${words(button)}"`,
  }),
});
