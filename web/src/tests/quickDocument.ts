// Two things that the test's document works out the long way, and that screens' tests ask for at every role and label: a
// quarter of the time went to each, in a profile of one screen each. The same answers, found from the element's own side.

/** How the document itself answers, for the test that both say the same. */
interface SlowDocument {
  readonly style: (element: Element) => CSSStyleDeclaration;
  readonly control: (label: Element) => unknown;
  readonly labels: (control: Element) => Iterable<unknown> | null;
}
let slow: SlowDocument | null = null;
export function slowDocument(): SlowDocument {
  if (slow === null) throw new Error('The document was not made quick.');
  return slow;
}

export function makeDocumentQuick(): void {
  const style = window.getComputedStyle.bind(window);
  slow = {
    style: (element) => style(element),
    control: getter(HTMLLabelElement.prototype, 'control'),
    labels: getter(HTMLInputElement.prototype, 'labels') as SlowDocument['labels'],
  };
  findLabelsQuickly();
  findStylesQuickly();
}

function getter(prototype: object, name: string): (element: Element) => unknown {
  const own = Object.getOwnPropertyDescriptor(prototype, name);
  return (element) => own?.get?.call(element) as unknown;
}

const MAY_BE_LABELLED = 'button, input:not([type="hidden"]), meter, output, progress, select, textarea';

/** A document of its own would look through all its elements for every `label.control` and every `input.labels`. */
function findLabelsQuickly(): void {
  define(HTMLLabelElement.prototype, 'control', controlOf);
  for (const kind of [
    HTMLButtonElement,
    HTMLInputElement,
    HTMLMeterElement,
    HTMLOutputElement,
    HTMLProgressElement,
    HTMLSelectElement,
    HTMLTextAreaElement,
  ])
    define(kind.prototype as HTMLElement, 'labels', labelsOf);
}

const define = <T extends HTMLElement>(prototype: T, name: string, get: (element: T) => unknown) =>
  Object.defineProperty(prototype, name, {
    configurable: true,
    get(this: T) {
      return get(this);
    },
  });

function controlOf(label: HTMLLabelElement): HTMLElement | null {
  const id = label.getAttribute('for');
  if (id === null) return label.querySelector<HTMLElement>(MAY_BE_LABELLED);
  const named = label.ownerDocument.getElementById(id);
  return named?.matches(MAY_BE_LABELLED) ? named : null;
}

function labelsOf(control: HTMLElement): HTMLLabelElement[] | null {
  if (!control.matches(MAY_BE_LABELLED)) return null;
  const around = control.closest('label');
  const named = control.id === '' ? [] : control.ownerDocument.querySelectorAll<HTMLLabelElement>('label[for]');
  return [...new Set([...(around ? [around] : []), ...named])]
    .filter((label) => controlOf(label) === control)
    .toSorted((a, b) => (a.compareDocumentPosition(b) & Node.DOCUMENT_POSITION_FOLLOWING ? -1 : 1));
}

const displayOf = (element: Element): string => {
  if (element.matches(NOT_SHOWN)) return 'none';
  return NOT_IN_LINE.has(element.localName) ? 'block' : 'inline';
};

/** Elements that a browser's own style sheet does not show. */
const NOT_SHOWN =
  '[hidden], area, base, datalist, dialog:not([open]), head, input[type="hidden"], link, meta, script, style, template, title';
/** Elements that do not run on in a line: the words of two of them are told apart. */
const NOT_IN_LINE = new Set(
  (
    'address article aside blockquote body button dd details dialog div dl dt fieldset figcaption figure footer form ' +
    'h1 h2 h3 h4 h5 h6 header hr html input legend li main menu nav ol p pre search ' +
    'section summary table caption colgroup col thead tbody tfoot tr td th ul'
  ).split(' '),
);
/** What an element has from those around it, where it says nothing itself. */
const INHERITED: Readonly<Record<string, string>> = { visibility: 'visible', pointerEvents: 'auto' };
const CAMEL: Readonly<Record<string, string>> = { 'pointer-events': 'pointerEvents' };

/**
 * No style sheet of the application is loaded in these tests: an element's style is what it says itself, with what is
 * inherited and what is not shown at all. The document would hold every rule of its own sheet against every element.
 */
function findStylesQuickly(): void {
  const computed = (element: Element): CSSStyleDeclaration => {
    const own = (element as HTMLElement).style;
    const value = (name: string): unknown => {
      const said: unknown = Reflect.get(own, name, own);
      if (typeof said === 'function') return (said as (...given: unknown[]) => unknown).bind(own);
      if (name === 'display') return said || displayOf(element);
      const usual = INHERITED[name];
      if (usual === undefined || said) return said;
      return element.parentElement ? (Reflect.get(computed(element.parentElement), name) as unknown) : usual;
    };
    return new Proxy(own, {
      get: (_, name): unknown =>
        name === 'getPropertyValue'
          ? (asked: string) =>
              asked in INHERITED || asked in CAMEL || asked === 'display'
                ? value(CAMEL[asked] ?? asked)
                : own.getPropertyValue(asked)
          : typeof name === 'string'
            ? value(name)
            : Reflect.get(own, name, own),
    });
  };
  window.getComputedStyle = computed;
}
