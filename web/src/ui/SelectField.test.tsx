import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { describe, expect, test, vi } from 'vitest';
import { useKeys } from '../browser/keys';
import { choose } from '../tests/choose';
import { SelectField } from './SelectField';

function Vets({ onKey }: { readonly onKey?: () => void }) {
  const [vet, setVet] = useState('');
  useKeys([{ keys: 'n', does: 'New dog', run: () => onKey?.() }]);
  return (
    <form>
      <SelectField label="Vet" value={vet} onChange={(event) => setVet(event.target.value)} error="Say which.">
        <option value="">not known</option>
        <optgroup label="Harbour Vets">
          <option value="v1">Dr Oyelaran</option>
          <option>Dr Nwosu</option>
        </optgroup>
        {false}
        <>
          <option value="v3" disabled>
            Dr {3}
          </option>
        </>
      </SelectField>
      <output>{vet}</output>
    </form>
  );
}
const list = () => screen.getByRole('combobox', { name: 'Vet' });
const chosen = () => screen.getByRole('status').textContent;

describe('a list to choose from', () => {
  test('shows what is chosen; its choices only when it is opened, in their groups', async () => {
    render(<Vets />);
    expect(list().textContent).toBe('not known');
    expect(list().getAttribute('aria-invalid')).toBe('true');
    expect(screen.queryByRole('option', { hidden: true, name: 'Dr Oyelaran' })).toBeNull();
    await userEvent.click(list());
    expect(screen.getAllByRole('option').map(({ textContent }) => textContent)).toEqual([
      'not known',
      'Dr Oyelaran',
      'Dr Nwosu',
      'Dr 3',
    ]);
    expect(screen.getByText('Harbour Vets')).toBeTruthy();
    expect(screen.getByRole('option', { name: 'Dr 3' }).getAttribute('aria-disabled')).toBe('true');
  });

  test('gives the value of a choice, its text where it has none, and empty text as such', async () => {
    const person = userEvent.setup();
    render(<Vets />);
    for (const [name, value] of [
      ['Dr Oyelaran', 'v1'],
      ['Dr Nwosu', 'Dr Nwosu'],
      ['not known', ''],
    ] as const) {
      await choose(person, list(), name);
      expect([chosen(), list().textContent]).toEqual([value, name]);
    }
  });

  test('by keyboard: arrows and first letters choose, and are no keys of the screen', async () => {
    const person = userEvent.setup();
    const onKey = vi.fn();
    render(<Vets onKey={onKey} />);
    list().focus();
    await person.keyboard('{Enter}');
    await person.keyboard('{ArrowDown}{ArrowDown}{Enter}');
    expect(chosen()).not.toBe('');
    await person.keyboard('n');
    await person.keyboard('{Enter}n{Escape}');
    expect(onKey).not.toHaveBeenCalled();
    expect(document.activeElement).toBe(list());
  });
});
