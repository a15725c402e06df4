import { render } from '@testing-library/react';
import { expect, test } from 'vitest';
import { slowDocument } from './quickDocument';

/** What the quick document must know: labels around and beside, lines and blocks, hidden, inherited, said by itself. */
const DOCUMENT = (
  <main style={{ pointerEvents: 'none' }}>
    <label htmlFor="weight">
      Weight <em>in kg</em>
    </label>
    <input id="weight" />
    <label>
      Name <input aria-label="name" />
    </label>
    <label htmlFor="weight">again</label>
    <label htmlFor="nobody">for none</label>
    <input type="hidden" id="kept" />
    <section hidden>
      <p>gone</p>
    </section>
    <div style={{ visibility: 'hidden' }}>
      <button type="button" style={{ visibility: 'visible', pointerEvents: 'auto' }}>
        seen <span>again</span>
      </button>
      <a href="#x">not seen</a>
    </div>
    <dialog>closed</dialog>
    <dialog open>open</dialog>
    <ul>
      <li style={{ display: 'none' }}>one</li>
      <li>two</li>
    </ul>
    <table>
      <tbody>
        <tr>
          <td>cell</td>
        </tr>
      </tbody>
    </table>
    <form>
      <fieldset>
        <legend>all kinds</legend>
        <textarea readOnly />
        <select>
          <optgroup label="some">
            <option>one</option>
          </optgroup>
        </select>
        <progress />
        <meter />
        <output>1</output>
        <details>
          <summary>more</summary>
        </details>
      </fieldset>
    </form>
    <h2>head</h2>
    <dl>
      <dt>term</dt>
      <dd>its text</dd>
    </dl>
    <figure>
      <svg>
        <path d="M0 0" />
      </svg>
      <figcaption>drawn</figcaption>
    </figure>
    <section>
      <header>top</header>
      <footer>foot</footer>
      <nav>places</nav>
      <hr />
      <pre>code</pre>
      <strong>strong</strong>
      <small>small</small>
      <img alt="" />
    </section>
  </main>
);

test('the quick document says what the document says', () => {
  const { container } = render(DOCUMENT);
  const document = slowDocument();
  const all = [...container.querySelectorAll('*')];
  expect(all.length).toBe(53);
  const line = (display: string) => (display === 'none' || display === 'inline' ? display : 'block');
  const told = (style: CSSStyleDeclaration) => [
    line(style.display),
    line(style.getPropertyValue('display')),
    style.visibility,
    style.pointerEvents || 'auto',
  ];
  expect(all.map((element) => [element.localName, told(getComputedStyle(element))])).toEqual(
    all.map((element) => [element.localName, told(document.style(element))]),
  );
  for (const label of container.querySelectorAll('label')) expect(label.control).toBe(document.control(label));
  for (const input of container.querySelectorAll('input')) {
    const theirs = document.labels(input);
    expect(input.labels && [...input.labels]).toEqual(theirs && [...theirs]);
  }
});
