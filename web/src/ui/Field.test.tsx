import { screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { show } from '../tests/server';
import { TextField } from './Field';

test('what is hidden may be looked at, and stays as it was typed', async () => {
  const { person } = show(<TextField label="Password" type="password" autoComplete="current-password" />);
  const field = screen.getByLabelText<HTMLInputElement>('Password');
  await person.type(field, 'wet otters at dawn');
  const eye = screen.getByRole('button', { name: 'Show what is typed' });
  expect([field.type, eye.getAttribute('aria-pressed')]).toEqual(['password', 'false']);
  await person.click(eye);
  expect([field.type, field.value, eye.getAttribute('aria-pressed')]).toEqual(['text', 'wet otters at dawn', 'true']);
  // Still what a password keeper knows it as.
  expect(field.autocomplete).toBe('current-password');
  await person.click(eye);
  expect(field.type).toBe('password');
});

test('other fields have nothing to show', () => {
  show(<TextField label="Name" />);
  expect(screen.queryByRole('button')).toBeNull();
});
