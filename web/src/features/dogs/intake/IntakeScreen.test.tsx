import { act, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { visitView } from '@dewpond/contract';
import { ownWork } from '../../../data/device';
import { askVisit } from '../../../data/prefetch';
import { queryClient } from '../../../data/queries';
import { client, dogView, business, session } from '../../../tests/demoDog';
import { openServer, show } from '../../../tests/server';
import { EditDogScreen } from './EditDogScreen';
import { IntakeScreen } from './IntakeScreen';
import { choose } from '../../../tests/choose';

const KNOWN = client();

function openForm(units: 'metric' | 'US' = 'metric') {
  const server = openServer({
    'GET /api/session': () => session(units),
    'GET /api/business': () => business(),
    'GET /api/clients': () => ({ items: [KNOWN], after: null }),
    'POST /api/clients': ({ body }) => ({ id: body.id }),
    'POST /api/dogs': ({ body }) => ({ id: body.id }),
  });
  return { server, ...show(<IntakeScreen />, { path: '/dogs/new' }) };
}
const field = (name: RegExp | string) => screen.getByLabelText<HTMLInputElement>(name);
/** Opens the finder, types a name, takes the first that fits. */
async function pick(person: ReturnType<typeof show>['person'], name: string) {
  await person.click(screen.getByRole('button', { name: /Choose a breed|Crossed with/ }));
  await person.click(screen.getByRole('combobox', { name: 'Find a breed' }));
  await person.paste(name);
  await person.keyboard('{Enter}');
}
async function chooseOwner(person: ReturnType<typeof show>['person']) {
  await person.click(await screen.findByRole('button', { name: 'In the book already?' }));
  await person.click(screen.getByRole('combobox', { name: 'Find an owner' }));
  await person.paste('960101');
  await person.click(await screen.findByText('Amara Nwosu'));
}
const preview = () => screen.getByRole('heading', { name: 'What this brings' }).closest('section');

describe('a new dog', () => {
  test('asks only what this breed raises, and shows the plan before anything is saved', async () => {
    const { person } = openForm();
    await screen.findByLabelText('Weight, kg');
    expect(screen.queryByLabelText('A vet has seen why the eyes water')).toBeNull();
    await pick(person, 'Pug');
    expect(field('A vet has seen why the eyes water')).toBeTruthy();
    expect(screen.queryByLabelText('Owner agrees to plucking ears')).toBeNull();
    expect(preview()).toHaveWords(/flat muzzle.*folds.*Folds, nose fold.*every \d+ days/);
    await pick(person, 'Miniature Poodle');
    expect(field('Owner agrees to plucking ears')).toBeTruthy();
    expect(preview()).toHaveWords(/curly coat/);
  });

  test('a breed is found by its other names, and a cross has shares', async () => {
    const { person } = openForm();
    await screen.findByLabelText('Weight, kg');
    await pick(person, 'sausage');
    expect(screen.getByText('Dachshund, smooth')).toBeTruthy();
    await pick(person, 'Pug');
    await person.click(screen.getByRole('button', { name: 'One part more Pug' }));
    expect(screen.getByText('Pug 2/3 × Dachshund, smooth 1/3')).toBeTruthy();
    expect(screen.getByText(/mostly 6\.3–10\.7 kg/)).toBeTruthy();
    await person.click(screen.getByRole('button', { name: 'Not Pug' }));
    expect(screen.queryByText('Pug')).toBeNull();
  });

  test('owner and dog are added, in that order, with what was typed', async () => {
    const { person, server } = openForm();
    await person.type(await screen.findByLabelText('Owner’s name'), 'Kofi Lindgren');
    await person.type(field('Phone'), '01632 960190');
    await person.type(field('Dog’s name'), 'Pippin');
    await person.type(field('Weight, kg'), '7,5');
    await pick(person, 'Pug');
    await person.click(screen.getByRole('button', { name: 'front feet' }));
    await person.type(field('To mind besides'), 'own towel, barks');
    await person.click(screen.getByRole('button', { name: 'Add to the book' }));
    expect(await screen.findByText('another screen')).toBeTruthy();
    expect(server.sent.map(([key]) => key)).toEqual(['POST /api/clients', 'POST /api/dogs']);
    expect(server.sent[1]?.[1]).toMatchObject({
      profile: {
        name: 'Pippin',
        weightKg: 7.5,
        breeds: ['pug'],
        handling: { minds: ['front feet'], marks: ['own towel', 'barks'] },
      },
    });
  });

  test('an owner in the book is not added again', async () => {
    const { person, server } = openForm();
    await chooseOwner(person);
    await person.type(field('Dog’s name'), 'Wren');
    await person.type(field('Weight, kg'), '12');
    await person.click(screen.getByRole('button', { name: 'Add to the book' }));
    expect(await screen.findByText('another screen')).toBeTruthy();
    expect(server.sent).toHaveLength(1);
    expect(server.sent[0]?.[1]).toMatchObject({ clientId: KNOWN.id });
  });

  test('that stands here is begun without a network, with the plan of what one sees; the book is written later', async () => {
    await ownWork.storage.clear();
    const { person, server } = openForm();
    await person.type(await screen.findByLabelText('Owner’s name'), 'Kofi Lindgren');
    await person.type(field('Phone'), '01632 960190');
    await person.type(field('Dog’s name'), 'Pippin');
    await person.type(field('Weight, kg'), '7.5');
    await pick(person, 'Pug');
    // Nobody is signed in to the outbox here: nothing is sent.
    await person.click(screen.getByRole('button', { name: 'It is here: begin its visit' }));
    expect(await screen.findByText('another screen')).toBeTruthy();
    expect(server.sent).toEqual([]);
    const [waiting] = await ownWork.storage.visits.all();
    expect(waiting).toMatchObject({
      appointmentId: null,
      newDog: { client: { name: 'Kofi Lindgren' }, profile: { name: 'Pippin', weightKg: 7.5, breeds: ['pug'] } },
    });
    const visit = await askVisit(waiting?.id ?? '');
    expect(visit).toMatchObject({
      dog: { id: waiting?.dogId, name: 'Pippin', weightKg: 7.5 },
      owner: { name: 'Kofi Lindgren', phones: ['01632 960190'] },
      lastTime: null,
    });
    expect(visit.facts.traits.muzzle).toBe('flat');
    expect(visit.dog.words).toMatch(/^Pug, 7.5 kg, /);
    expect(visit.bath?.bath?.name).toBeTruthy();
    expect(visit.atTheDoor.dog).toMatch(/ask for the rest of its card/);
    expect(() => visitView.parse(visit)).not.toThrow();
  });

  test('what does not fit the book is told at its field, and no visit begins', async () => {
    await ownWork.storage.clear();
    const { person } = openForm();
    await person.type(await screen.findByLabelText('Dog’s name'), 'Pippin');
    await person.click(screen.getByRole('button', { name: 'It is here: begin its visit' }));
    expect(await screen.findByText(/number of kilograms/)).toBeTruthy();
    // The first field that does not fit has the cursor, whichever button was hit.
    await waitFor(() => expect(document.activeElement).toBe(field('Owner’s name')));
    expect(await ownWork.storage.visits.all()).toEqual([]);
  });

  test('the Enter key adds it to the book; it begins no visit', async () => {
    await ownWork.storage.clear();
    const { person, server } = openForm();
    await chooseOwner(person);
    await person.type(field('Dog’s name'), 'Wren');
    await person.type(field('Weight, kg'), '12{Enter}');
    expect(await screen.findByText('another screen')).toBeTruthy();
    expect(server.sent.map(([key]) => key)).toEqual(['POST /api/dogs']);
    expect(await ownWork.storage.visits.all()).toEqual([]);
  });

  test.each([
    ['0', /at least 0.3 kg/],
    ['-3', /at least 0.3 kg/],
    ['400', /at most 130 kg/],
    ['heavy', /number of kilograms/],
    ['', /number of kilograms/],
  ])('a weight of "%s" is told at the field; nothing is sent, what was typed is kept', async (weight, words) => {
    const { person, server } = openForm();
    await person.type(await screen.findByLabelText('Dog’s name'), 'Pippin');
    if (weight) await person.type(field('Weight, kg'), weight);
    await person.click(screen.getByRole('button', { name: 'Add to the book' }));
    expect(await screen.findByText(words)).toBeTruthy();
    expect(field('Dog’s name').value).toBe('Pippin');
    expect(server.sent).toEqual([]);
  });

  test('in US units the weight is in pounds and the breed’s range, too; kilograms are sent', async () => {
    const { person, server } = openForm('US');
    await chooseOwner(person);
    await person.type(field('Dog’s name'), 'Wren');
    await person.type(await screen.findByLabelText('Weight, lb'), '22');
    await pick(person, 'Pug');
    expect(screen.getByText(/Pug: mostly [\d.]+–[\d.]+ lb/)).toBeTruthy();
    await person.click(screen.getByRole('button', { name: 'Add to the book' }));
    await screen.findByText('another screen');
    expect(server.sent[0]?.[1]).toMatchObject({ profile: { weightKg: 9.98 } });
  });
});

describe('a dog is changed', () => {
  test('by two at once: what was typed stays, and every field says what both made of it', async () => {
    let view = dogView();
    const server = openServer({
      'GET /api/session': () => session(),
      'GET /api/business': () => business(),
      'GET /api/dogs/:id': () => view,
      'PUT /api/dogs/:id': ({ body }) => ({ version: body.version + 1 }),
    });
    const { person } = show(<EditDogScreen />, { path: '/dogs/:id/edit', at: `/dogs/${view.id}/edit` });
    await person.clear(await screen.findByLabelText('Weight, kg'));
    await person.type(field('Weight, kg'), '8.6');
    const { profile, version } = view;
    const ears = { ...profile.ears, left: { ...profile.ears.left, plucked: 'never' as const } };
    view = { ...view, version: version + 1, profile: { ...profile, weightKg: 9.1, ears } };
    await act(() => queryClient.invalidateQueries());
    await person.click(await screen.findByRole('button', { name: 'Compare' }));
    const dialog = screen.getByRole('dialog', { name: 'Two changes of one thing' });
    expect(dialog).toHaveWords(/Weight.*Yours.*8\.6.*Theirs.*9\.1/);
    await person.click(within(dialog).getByRole('button', { name: 'Go on with these' }));
    await person.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() =>
      expect(server.sent.at(-1)?.[1]).toMatchObject({ version: version + 1, profile: { weightKg: 8.6, ears } }),
    );
  });

  function openEdit() {
    const server = openServer({
      'GET /api/session': () => session(),
      'GET /api/business': () => business(),
      'GET /api/dogs/:id': () => dogView(),
      'PUT /api/dogs/:id': () => ({ version: 4 }),
    });
    return { server, ...show(<EditDogScreen />, { path: '/dogs/:id/edit', at: `/dogs/${dogView().id}/edit` }) };
  }

  test('with the version it was read at, and what the form does not ask is kept', async () => {
    const { person, server } = openEdit();
    await person.clear(await screen.findByLabelText('Weight, kg'));
    await person.type(field('Weight, kg'), '8.6');
    await person.type(field('Home care last changed on'), '2026-11-20');
    await person.click(screen.getByRole('button', { name: 'Save' }));
    await screen.findByText('another screen');
    expect(server.sent[0]?.[1]).toMatchObject({
      version: 3,
      homeCareChangedOn: '2026-11-20',
      profile: { weightKg: 8.6, sex: 'bitch', handling: { tether: 'harness', marks: ['no neck loop'] } },
    });
  });

  test('with what was before, each ear apart', async () => {
    const { person, server } = openEdit();
    const left = within(await screen.findByRole('group', { name: /left ear/i }));
    await person.click(left.getByRole('button', { name: 'drum torn or suspected' }));
    await choose(person, left.getByLabelText('Last plucked'), 'on a day');
    await person.type(left.getByLabelText('Day, left ear'), '2026-10-01');
    await person.click(field('A nail bled at some visit'));
    await person.type(field('Reacted to'), 'oat wash, red belly');
    const seeds = within(screen.getByRole('group', { name: 'Months of grass seeds' }));
    await person.click(seeds.getByRole('button', { name: 'Jul' }));
    await person.click(field('Stiff joints'));
    await person.click(screen.getByRole('button', { name: 'Save' }));
    await screen.findByText('another screen');
    expect(server.sent[0]?.[1]).toMatchObject({
      profile: {
        ears: {
          left: { conditions: ['drum torn or suspected'], plucked: '2026-10-01' },
          right: { conditions: [], plucked: 'never' },
        },
        nailBled: true,
        reactions: 'oat wash, red belly',
        grassSeedMonths: [7],
        stiffJoints: true,
      },
    });
  });

  test('a birthday still to come is told at the field', async () => {
    const { person, server } = openEdit();
    await person.clear(await screen.findByLabelText('Born'));
    await person.type(field('Born'), '2027-01-01');
    await person.click(screen.getByRole('button', { name: 'Save' }));
    expect(await screen.findByText('That birthday is still to come.')).toBeTruthy();
    expect(server.sent).toEqual([]);
  });
});
