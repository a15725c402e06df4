import { screen, waitFor, within } from '@testing-library/react';
import { v7 } from 'uuid';
import { expect, test } from 'vitest';
import { business, product, visitView } from '../../tests/demoDog';
import { standAtTable } from '../../tests/tableSide';

const DISINFECTANT = product({
  id: v7(),
  name: 'Reed clean',
  kind: 'disinfectant',
  label: '49:1',
  contact: { least: 10, most: 10 },
});

test('the disinfectant is named, its label’s time is the clock, and one tap tells that all is clean', async () => {
  const { person, happened } = await standAtTable(
    visitView(),
    0,
    'at the server',
    business({ products: [DISINFECTANT] }),
  );
  await person.keyboard('s');
  const steps = screen.getByRole('dialog');
  await person.click(within(steps).getAllByRole('button', { name: /Clean down/ })[0] as HTMLElement);
  expect(screen.getByRole('button', { name: /Start: disinfectant on, 5:00/ })).toBeTruthy();
  await person.click(screen.getByRole('button', { name: 'Reed clean, 49:1, 10 min on its label' }));
  await person.click(screen.getByRole('button', { name: /Start: disinfectant on, 10:00/ }));
  await person.click(screen.getByRole('button', { name: 'table' }));
  await person.click(screen.getByRole('button', { name: 'The other 4 are clean' }));
  await waitFor(() =>
    expect(happened()).toEqual(
      expect.arrayContaining([
        { type: 'cleaned with', product: DISINFECTANT.id, name: 'Reed clean' },
        { type: 'timer started', timer: 'clean-down', step: 'clean-down', seconds: 600 },
        ...['table', 'tub', 'dryer', 'tools', 'hands'].map((part) => ({ type: 'checked', step: 'clean-down', part })),
      ]),
    ),
  );
});
