import { vetFields } from '@dewpond/contract';
import { act, screen, waitFor } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import type { z } from 'zod';
import { create } from 'zustand';
import { call } from '../api/call';
import { useWrite } from '../data/useWrite';
import { RefusedAnswer, openServer, show } from '../tests/server';
import { TextField } from '../ui/Field';
import { FormFoot } from './FormFoot';
import { typedNumber } from './typedNumber';
import { fresh, useDraft, type SeenRow } from './useDraft';

type Vet = z.input<typeof vetFields>;
interface VetForm {
  readonly name: string;
  readonly mail: string;
}

/** A form that has no field for the phone it sends. */
function Form({ kept, phone = '' }: { readonly kept?: SeenRow<VetForm>; readonly phone?: string }) {
  const draft = useDraft(kept ?? fresh<VetForm>({ name: '', mail: '' }), {
    as: ({ name, mail }) => ({ name, email: mail, phone }),
    fits: vetFields,
  });
  const save = useWrite('POST /api/vets', {
    form: draft,
    write: (id, body: Vet) => call('POST /api/vets', { body: { ...body, id } }),
    onSuccess: draft.again,
  });
  return (
    <form noValidate onSubmit={draft.submit((body) => save.mutate(body))}>
      <TextField label="Name" {...draft.field('name')} />
      <TextField label="E-mail" {...draft.field('mail', 'email')} />
      <FormFoot draft={draft} disabled={save.isPending} />
    </form>
  );
}

const VET_ID = '019a0000-0000-7000-8000-000000000001';
function open(form = <Form />, refuses: RefusedAnswer[] = []) {
  const server = openServer({
    'POST /api/vets': () => {
      const no = refuses.shift();
      if (no) throw no;
      return { id: VET_ID };
    },
  });
  return { server, ...show(form) };
}
const name = () => screen.getByLabelText<HTMLInputElement>('Name');
const mail = () => screen.getByLabelText<HTMLInputElement>('E-mail');
const keep = () => screen.getByRole('button', { name: 'Keep' });

describe('a form', () => {
  test('sends nothing that does not fit: each field says why, and the first has the cursor', async () => {
    const { server, person } = open();
    await person.type(mail(), 'no address');
    await person.click(keep());
    expect(await screen.findByText('The name is missing.')).toBeTruthy();
    expect(screen.getByText('That is no e-mail address.')).toBeTruthy();
    expect(document.activeElement).toBe(name());
    expect(mail().value).toBe('no address');
    expect(server.sent).toEqual([]);
  });

  test('takes back what it said as soon as it is mended, sends it, and is empty for the next', async () => {
    const { server, person } = open();
    await person.click(keep());
    await screen.findByText('The name is missing.');
    await person.type(name(), 'Dr Oyelaran');
    await waitFor(() => expect(screen.queryByText('The name is missing.')).toBeNull());
    await person.click(keep());
    await waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]?.[1]).toMatchObject({ name: 'Dr Oyelaran', email: '' });
    await waitFor(() => expect(name().value).toBe(''));
    expect(screen.queryByRole('alert')).toBeNull();
  });

  test('shows at its field what only the server can know, and sends it again when asked', async () => {
    const known = new RefusedAnswer(422, {
      kind: 'bad input',
      message: 'No.',
      fields: [{ path: 'email', message: 'Another vet has that one.' }],
    });
    const { server, person } = open(<Form />, [known]);
    await person.type(name(), 'Dr Oyelaran');
    await person.click(keep());
    expect(await screen.findByText('Another vet has that one.')).toBeTruthy();
    expect(document.activeElement).toBe(mail());
    await person.click(keep());
    await waitFor(() => expect(server.sent).toHaveLength(2));
    expect(screen.queryByRole('alert')).toBeNull();
  });

  test('says of the whole what is about none of its fields, found here or by the server', async () => {
    const { server, person } = open(<Form phone="ask at the desk" />);
    await person.type(name(), 'Dr Oyelaran');
    await person.click(keep());
    expect(await screen.findByText('phone: Digits, spaces and + ( ) / . - only.')).toBeTruthy();
    expect(server.sent).toEqual([]);
  });

  test('says of the whole what the server said of the whole, or of something it does not show', async () => {
    const gone = new RefusedAnswer(404, { kind: 'not found', message: 'There is no such business here.' });
    const odd = new RefusedAnswer(422, {
      kind: 'bad input',
      message: 'No.',
      fields: [{ path: 'address', message: 'Longer than 200 characters.' }],
    });
    const { person } = open(<Form />, [gone, odd]);
    await person.type(name(), 'Dr Oyelaran');
    await person.click(keep());
    expect(await screen.findByText('There is no such business here.')).toBeTruthy();
    await person.click(keep());
    expect(await screen.findByText('address: Longer than 200 characters.')).toBeTruthy();
  });
});

describe('a form over something that others change', () => {
  const kept: SeenRow<VetForm> = { version: 3, form: { name: 'Dr Oyelaran', mail: 'o@vets.example' } };
  const theirs: SeenRow<VetForm> = { version: 4, form: { name: 'Dr Oyelaran', mail: 'new@vets.example' } };

  function Both() {
    const draft = useDraft(useServer(), {
      as: ({ name, mail: email }) => ({ name, email }),
      fits: vetFields.pick({ name: true, email: true }),
    });
    return (
      <>
        <TextField label="Name" {...draft.field('name')} />
        <TextField label="E-mail" {...draft.field('mail')} />
        <p>{`from ${draft.version}, ${draft.isTyped ? 'typed' : 'as it was'}`}</p>
        <p>{draft.clashes === null ? 'no clash' : `clash: ${draft.clashes.map(({ field }) => field).join(', ')}`}</p>
        <FormFoot draft={{ ...draft, clashes: null }} disabled />
        <button type="button" onClick={() => draft.refuse(new Error('Somebody changed it first.'))}>
          Refuse
        </button>
        <form onSubmit={draft.submit(() => undefined)}>
          <button type="submit">Send</button>
        </form>
        <button type="button" onClick={() => draft.saved(4)}>
          It is kept
        </button>
        <button type="button" onClick={() => draft.takeOver(['name'])}>
          Take over
        </button>
      </>
    );
  }
  const useServer = create<SeenRow<VetForm>>(() => kept);
  const openBoth = () => {
    useServer.setState(kept);
    const { person } = show(<Both />);
    return { person, arrive: (next: SeenRow<VetForm>) => act(() => useServer.setState(next)) };
  };

  test('follows the server while nothing is typed', async () => {
    const { arrive } = openBoth();
    arrive(theirs);
    await waitFor(() => expect(mail().value).toBe('new@vets.example'));
    expect(screen.getByText('from 4, as it was')).toBeTruthy();
  });

  test('keeps what was typed through every refetch, and tells of a change in the same field', async () => {
    const { person, arrive } = openBoth();
    await person.type(name(), ' MRCVS');
    arrive({ ...kept, form: { ...kept.form } });
    expect(name().value).toBe('Dr Oyelaran MRCVS');
    arrive(theirs);
    expect(await screen.findByText('clash:')).toBeTruthy();
    arrive({ version: 5, form: { ...theirs.form, name: 'Dr A. Oyelaran' } });
    expect(await screen.findByText('clash: name')).toBeTruthy();
    expect(screen.getByText('from 3, typed')).toBeTruthy();
    await person.click(screen.getByRole('button', { name: 'Refuse' }));
    expect(await screen.findByText('Somebody changed it first.')).toBeTruthy();
    await person.click(screen.getByRole('button', { name: 'Take over' }));
    // Settled: the refusal was about what stood there before.
    await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
    expect(await screen.findByText('from 5, typed')).toBeTruthy();
    expect([name().value, mail().value]).toEqual(['Dr Oyelaran MRCVS', 'new@vets.example']);
  });

  test('what is typed while it is on its way is still to be sent', async () => {
    const { person, arrive } = openBoth();
    await person.type(name(), ' MRCVS');
    await person.click(screen.getByRole('button', { name: 'Send' }));
    await person.type(name(), ', Harbour');
    await person.click(screen.getByRole('button', { name: 'It is kept' }));
    arrive({ version: 4, form: { ...kept.form, name: 'Dr Oyelaran MRCVS' } });
    expect(await screen.findByText('from 4, typed')).toBeTruthy();
    expect(name().value).toBe('Dr Oyelaran MRCVS, Harbour');
  });

  test('two who typed the same have nothing to choose', async () => {
    const { person, arrive } = openBoth();
    await person.clear(mail());
    await person.type(mail(), 'new@vets.example');
    arrive(theirs);
    expect(await screen.findByText('from 4, as it was')).toBeTruthy();
    expect(screen.getByText('no clash')).toBeTruthy();
  });

  test('an older answer that comes late changes nothing', async () => {
    const { arrive } = openBoth();
    arrive(theirs);
    await screen.findByText('from 4, as it was');
    arrive(kept);
    expect(mail().value).toBe('new@vets.example');
  });
});

test.each([
  ['7,5', 7.5],
  [' 40 ', 40],
  ['1.25', 1.25],
])('"%s" is the number %d', (typed, number) => {
  expect(typedNumber(typed)).toBe(number);
});

test.each(['', '  ', 'often', '1.2.3', '1,000.5'])('"%s" is no number', (typed) => {
  expect(typedNumber(typed)).toBeNaN();
});
