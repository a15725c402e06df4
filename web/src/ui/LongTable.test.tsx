import { render, screen } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { LongTable } from './LongTable';

const rows = (count: number) => Array.from({ length: count }, (_, i) => ({ id: String(i), name: `Dog ${i}` }));
const table = (count: number) => (
  <main>
    <LongTable
      heads={['Dog', { name: 'Owner', from: 'desk' }]}
      rows={rows(count)}
      keyOf={({ id }) => id}
      rowHeight={60}
      cells={({ name }) => (
        <>
          <td>{name}</td>
          <td>owner</td>
        </>
      )}
    />
  </main>
);

describe('a table of any length', () => {
  test('has all its rows while they are few', () => {
    render(table(150));
    expect(screen.getAllByRole('row')).toHaveLength(151);
    expect(screen.getByText('Dog 149')).toBeTruthy();
  });

  test('has only the rows in view when they are many, and says how many there are', () => {
    render(table(20_000));
    expect(screen.getByRole('table').getAttribute('aria-rowcount')).toBe('20001');
    expect(screen.getAllByRole('row').length).toBeLessThan(200);
  });

  test('its columns for wide screens are hidden on narrow ones, head and all', () => {
    render(table(1));
    expect(screen.getByText('Owner').className).toContain('max-lg:hidden');
    expect(screen.getByText('Dog').className).not.toContain('hidden');
  });
});
