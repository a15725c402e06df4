import { METHOD_CARDS, cardFor } from '@dewpond/core/methods';
import { DEFAULT_HOUSE_WAYS } from '@dewpond/core/ways';
import { screen } from '@testing-library/react';
import { beforeEach, describe, expect, test } from 'vitest';
import { business } from '../../../tests/demoDog';
import { openServer, show } from '../../../tests/server';
import { MethodScreen } from './MethodScreen';
import { MethodsScreen } from './MethodsScreen';

beforeEach(() => {
  openServer({ 'GET /api/business': () => business() });
});

describe('method cards on screen', () => {
  test.each(METHOD_CARDS.map(({ id, title }) => [id, title]))(
    '%s: drawings that say what they show, steps, what never',
    (id, title) => {
      show(<MethodScreen />, { path: '/methods/:id', at: `/methods/${id}` });
      expect(screen.getByRole('heading', { name: title })).toBeTruthy();
      const source = METHOD_CARDS.find((each) => each.id === id);
      const card = source && cardFor(source, DEFAULT_HOUSE_WAYS);
      const drawings = screen.getAllByRole('img').map((each) => each.getAttribute('aria-label') ?? '');
      expect(drawings).toHaveLength(card?.drawings.length ?? 0);
      for (const says of drawings) expect(says.length).toBeGreaterThan(40);
      for (const { words } of [...(card?.steps ?? []), ...(card?.never ?? []), ...(card?.stops ?? [])])
        expect(document.body.textContent).toContain(words);
    },
  );

  test('words in a drawing stay inside it', () => {
    const outside: string[] = [];
    for (const { id } of METHOD_CARDS) {
      const { unmount } = show(<MethodScreen />, { path: '/methods/:id', at: `/methods/${id}` });
      for (const svg of screen.getAllByRole('img')) {
        const [x = 0, , width = 0] = (svg.getAttribute('viewBox') ?? '').split(' ').map(Number);
        for (const text of svg.querySelectorAll('text'))
          for (const line of text.querySelectorAll('tspan')) {
            const at = Number(line.getAttribute('x'));
            // A letter of this typeface at 13 px is at most some 5.6 px wide on average, a bold one 6: read off a picture.
            const wide = (line.textContent?.length ?? 0) * (text.getAttribute('font-weight') === '700' ? 6 : 5.6);
            const anchor = text.getAttribute('text-anchor');
            const left = anchor === 'end' ? at - wide : anchor === 'middle' ? at - wide / 2 : at;
            if (left < x - 2 || left + wide > x + width + 2) outside.push(`${id}: ${line.textContent}`);
          }
      }
      unmount();
    }
    expect(outside).toEqual([]);
  });

  test('an address without a card is lost, and says so', () => {
    show(<MethodScreen />, { path: '/methods/:id', at: '/methods/unicorn' });
    expect(screen.getByText('There is no such card.')).toBeTruthy();
    expect(screen.getByRole('link', { name: 'All cards' })).toBeTruthy();
  });

  test('all cards are there, in the order of a visit', () => {
    show(<MethodsScreen />);
    expect(screen.getAllByRole('link').map((link) => link.getAttribute('href'))).toEqual(
      METHOD_CARDS.map(({ id }) => `/methods/${id}`),
    );
  });
});
