import { HOUSE_VALUE } from '@dewpond/core/provenance';
import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { choose } from '../../../tests/choose';
import { v7 } from 'uuid';
import { addDays } from '@dewpond/core/units';
import { TODAY, WASH_ID, booking, business, dogView, facts, product } from '../../../tests/demoDog';
import { button, openPage } from '../../../tests/openDog';

const profileSent = (sent: readonly (readonly [string, unknown])[]) =>
  (sent.at(-1)?.[1] as { profile: { ownBath: unknown; ownWays: unknown; style: unknown } }).profile;

describe('the next bath', () => {
  const bath = {
    bath: {
      productId: WASH_ID,
      name: 'Deep clean concentrate',
      strength: '24:1',
      because: 'the first wash is for dirt',
      source: HOUSE_VALUE,
    },
    'second wash': null,
    'face wash': null,
    conditioner: null,
    conditioned: { wanted: false, because: 'a smooth coat combs without it', source: HOUSE_VALUE },
    trouble: [],
  };

  test('says which product for which part, and why none', async () => {
    openPage(dogView({ bath }));
    const card = (await screen.findByRole('heading', { name: 'The next bath' })).closest('section');
    expect(card).toHaveWords(
      /First wash.*Deep clean concentrate.*24:1.*the first wash is for dirt.*Conditioner.*none.*combs without it/,
    );
  });

  test('another product for this dog needs a reason, and goes back by the first choice', async () => {
    const { person, server } = openPage(dogView({ bath }));
    await person.click(await screen.findByRole('button', { name: 'Another product: conditioner' }));
    const dialog = within(screen.getByRole('dialog', { name: 'Conditioner for Radish' }));
    await choose(person, dialog.getByLabelText('Product'), 'none for this dog');
    await person.click(dialog.getByRole('button', { name: 'Keep it' }));
    expect(dialog.getByText('The next groomer will ask why.')).toBeTruthy();
    await person.type(dialog.getByLabelText('Why'), 'lies flat after it');
    await person.click(dialog.getByRole('button', { name: 'Keep it' }));
    await waitFor(() =>
      expect(profileSent(server.sent).ownBath).toEqual({
        conditioner: { productId: null, because: 'lies flat after it' },
      }),
    );
  });

  test('what must not come to a face cannot be chosen for it; what a person must decide is said', async () => {
    const face = { ...bath.bath, productId: v7(), name: 'Mild face wash' };
    const trouble = ['Sharp, this dog’s own, is marked “Keep away from eyes”: another was taken.'];
    const view = dogView({ bath: { ...bath, 'face wash': face, trouble } });
    const ownBath = { 'face wash': { productId: WASH_ID, because: 'gets the stain out' } };
    const { person } = openPage(
      { ...view, profile: { ...view.profile, ownBath } },
      'metric',
      business({ products: [product({ name: 'Sharp', cautions: ['eyes'] }), product({ id: v7(), name: 'Mild' })] }),
    );
    expect(await screen.findByRole('list', { name: 'Before it is mixed' })).toHaveWords(/another was taken/);
    expect(screen.queryByText(/· this dog’s own/)).toBeNull();
    await person.click(button('Another product: face'));
    await person.click(within(screen.getByRole('dialog', { name: 'Face for Radish' })).getByLabelText('Product'));
    const isOff = (name: RegExp) => screen.getByRole('option', { name }).getAttribute('aria-disabled');
    expect([isOff(/^Sharp \(is marked “Keep away from eyes”\)/), isOff(/^Mild \(cleansing\)/)]).toEqual(['true', null]);
  });
});

describe('its own ways', () => {
  test('a school for this dog is chosen with a reason; the house’s stands beside it; one tap goes back', async () => {
    const own = { comb: { because: 'it mats when dry', insteadOf: 'dry only' } } as const;
    const { person, server } = openPage(
      dogView({
        facts: facts('pug', { ownWays: own, ways: { ...facts('pug').ways, comb: 'also damp' } }),
        profile: { ...dogView().profile, ownWays: { comb: { school: 'also damp', because: 'it mats when dry' } } },
      }),
    );
    const card = (await screen.findByRole('heading', { name: 'Its own ways' })).closest('section');
    expect(card).toHaveWords(/Combed damp as well.*it mats when dry · the house: Combed only when dry/);
    await person.click(button('Another way…'));
    const dialog = within(screen.getByRole('dialog', { name: 'Another way for Radish' }));
    await choose(person, dialog.getByLabelText('What'), 'Hair in the eye corner?');
    await choose(person, dialog.getByLabelText('For this dog'), 'Clip it, lightly');
    await person.type(dialog.getByLabelText('Why'), 'wet at every visit');
    await person.click(dialog.getByRole('button', { name: 'Keep it' }));
    await waitFor(() =>
      expect(profileSent(server.sent).ownWays).toEqual({
        comb: { school: 'also damp', because: 'it mats when dry' },
        eyeCorner: { school: 'clip', because: 'wet at every visit' },
      }),
    );
    await person.click(await screen.findByRole('button', { name: /As the house again: When is it combed/ }));
    await waitFor(() => expect(profileSent(server.sent).ownWays).toEqual({}));
  });
});

describe('the style', () => {
  test('is wished part by part; an empty part is no wish', async () => {
    const view = dogView();
    const { person, server } = openPage({ ...view, profile: { ...view.profile, style: { legs: '19 mm comb' } } });
    const card = (await screen.findByRole('heading', { name: 'Style' })).closest('section');
    expect(card).toHaveWords(/Legs.*19 mm comb/);
    await person.click(within(card as HTMLElement).getByRole('button', { name: 'Change…' }));
    const dialog = within(screen.getByRole('dialog', { name: 'Style of Radish' }));
    await person.clear(dialog.getByLabelText('Legs'));
    await person.type(dialog.getByLabelText('Beard'), 'round, 25 mm');
    await person.click(dialog.getByRole('button', { name: 'Keep it' }));
    await waitFor(() => expect(profileSent(server.sent).style).toEqual({ beard: 'round, 25 mm' }));
  });
});

test('its record speaks for another way: one tap makes it its own, with why', async () => {
  const because = 'the corner of the right eye is wet at every visit, though cleaned';
  const proposedWays = [{ question: 'eyeCorner', school: 'clip', because }] as const;
  const { person, server } = openPage(dogView({ proposedWays: [...proposedWays] }));
  const speaks = within(await screen.findByRole('region', { name: 'Its record speaks for another way' }));
  expect(speaks.getByText(/wet at every visit, though cleaned · now: Leave it, clean daily/)).toBeTruthy();
  await person.click(speaks.getByRole('button', { name: 'Do so with Radish: Clip it, lightly' }));
  await waitFor(() => expect(profileSent(server.sent).ownWays).toEqual({ eyeCorner: { school: 'clip', because } }));
});

test('what was noted stands on the dog: its card, the last visit, the owner, the next booking', async () => {
  const closing = { day: addDays(TODAY, -28), words: 'left hind nail split' };
  const view = dogView({ notes: { ownerSaid: null, closing }, appointments: [booking({ note: 'cut in December' })] });
  openPage({ ...view, profile: { ...view.profile, note: 'pulls to the left' } });
  const heading = await screen.findByRole('heading', { name: 'Radish' });
  expect(heading.closest('main') ?? document.body).toHaveWords(
    /On the dog.*pulls to the left.*Closing note, .*left hind nail split.*For the next visit.*cut in December/,
  );
  expect(screen.queryByText(/The owner said/)).toBeNull();
});
