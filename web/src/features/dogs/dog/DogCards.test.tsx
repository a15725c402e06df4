import { addDays } from '@dewpond/core/units';
import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import { TODAY, dogView, facts } from '../../../tests/demoDog';
import { button, openPage } from '../../../tests/openDog';
import { choose } from '../../../tests/choose';

describe('the cards of a dog’s page', () => {
  test('says how it is held, and what goes before a note', async () => {
    openPage();
    const card = (await screen.findByRole('heading', { name: 'How it is held' })).closest('section');
    expect(card).toHaveWords(/Harness, never by the neck.*No closed muzzle.*One lifts it/);
  });

  test('is weighed in one field; two weights draw a line with the breed’s range', async () => {
    const weighings = [
      { day: addDays(TODAY, -200), kg: 7.4, by: 'Ines' },
      { day: addDays(TODAY, -28), kg: 8, by: 'Ines' },
    ];
    const { person, server } = openPage(dogView({ weighings }));
    const card = (await screen.findByRole('heading', { name: 'Weight' })).closest('section');
    expect(card).toHaveWords(/0\.6 kg more than on/);
    expect(
      within(card as HTMLElement)
        .getByRole('img')
        .getAttribute('aria-label'),
    ).toMatch(/7\.4 kg.*8 kg/);
    await person.type(screen.getByLabelText('Weighed today, kg'), '8,3');
    await person.click(button('Keep'));
    await waitFor(() => expect(server.sent).toEqual([['POST /api/dogs/:id/weighings', { day: TODAY, kg: 8.3 }]]));
  });

  test('a young dog begins lessons, one goal each; how it went is one tap, and taken back', async () => {
    const puppy = dogView({ facts: facts('pug', { lifeStage: 'puppy' }) });
    const { person, server, held } = openPage(puppy);
    await person.click(await screen.findByRole('button', { name: 'Begin: young dog' }));
    expect(await screen.findByText('Next: Stands on the table')).toBeTruthy();
    await person.click(button(/^Easy/));
    expect(await screen.findByText('Next: Is touched all over')).toBeTruthy();
    expect(screen.getByText(/1 of 9 reached/)).toBeTruthy();
    await person.click((await screen.findAllByText('Undo')).at(-1) as HTMLElement);
    expect(await screen.findByText('Next: Stands on the table')).toBeTruthy();
    expect(server.sent.map(([key]) => key)).toEqual([
      'POST /api/dogs/:id/programme',
      'POST /api/programmes/:id/lessons',
      'PUT /api/programmes/:id',
    ]);
    expect(held.dog.programme?.lessons).toEqual([]);
  });

  test('an easy grown dog is not offered lessons', async () => {
    openPage();
    await screen.findByRole('heading', { name: 'Care plan' });
    expect(screen.queryByText(/^Begin: /)).toBeNull();
  });

  test('archived it cannot be booked, and comes back by undo', async () => {
    const { person } = openPage();
    await person.click(await screen.findByRole('button', { name: 'More' }));
    await person.click(await screen.findByRole('menuitem', { name: 'Archive' }));
    expect(await screen.findByText(/^archived/)).toBeTruthy();
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Book' }).disabled).toBe(true);
    await person.click(await screen.findByText('Undo'));
    await waitFor(() => expect(screen.queryByText(/^archived/)).toBeNull());
  });

  test('a double of the same owner is shown with what would join', async () => {
    const twin = { id: v7(), name: 'Raddish' };
    const { person, server } = openPage(dogView({ likelySame: [twin] }));
    await person.click(await screen.findByRole('button', { name: 'See what would join' }));
    expect(await screen.findByText('2 visits; 1 weight')).toBeTruthy();
    await person.click(button('Join into Radish'));
    await waitFor(() => expect(server.sent).toMatchObject([['POST /api/dogs/:id/merge', { goneId: twin.id }]]));
  });

  test('a dog that is twice in the book under two names is found among its owner’s dogs', async () => {
    const { person, server } = openPage();
    await person.click(await screen.findByRole('button', { name: 'More' }));
    await person.click(await screen.findByRole('menuitem', { name: 'The same dog twice…' }));
    await person.click(await screen.findByRole('button', { name: 'Raddish, Pug' }));
    await person.click(await screen.findByRole('button', { name: 'Join into Radish' }));
    await waitFor(() => expect(server.sent.map(([key]) => key)).toEqual(['POST /api/dogs/:id/merge']));
  });

  test('what if a vet said: the plan says what it would do, and nothing is sent', async () => {
    const { person, server } = openPage();
    await screen.findByRole('heading', { name: 'Care plan' });
    await person.click(button('What if…'));
    await choose(person, screen.getByLabelText('A vet'), 'says: every so many days');
    await choose(person, screen.getByLabelText('About'), 'Nails and dewclaws');
    const changes = screen.getByRole('region', { name: 'What would change' });
    expect(changes).toHaveWords(/Nails and dewclaws.*every 14 days/);
    await choose(person, screen.getByLabelText('A vet'), 'says: leave it out');
    expect(changes).toHaveWords(/Nails and dewclaws.*gone|Nails and dewclaws.*changed/);
    expect(server.sent).toEqual([]);
  });
});
