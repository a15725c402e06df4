import type { DogView } from '@dewpond/contract';
import { screen } from '@testing-library/react';
import { v7 } from 'uuid';
import { DogScreen } from '../features/dogs/dog/DogScreen';
import { MEMBER, TODAY, dogView, business, session } from './demoDog';
import { openServer, show } from './server';

type OpenProgramme = NonNullable<DogView['programme']>;

/** Radish's page; `held.dog` is what the server keeps, and may be changed between one asking and the next. */
export function openPage(first = dogView(), units: 'metric' | 'US' = 'metric', its = business()) {
  const held = { dog: first };
  const change = (more: Partial<DogView>) => {
    held.dog = { ...held.dog, ...more, version: held.dog.version + 1 };
    return { version: held.dog.version };
  };
  const learn = (more: (programme: OpenProgramme) => Partial<OpenProgramme>) => {
    const { programme } = held.dog;
    if (!programme) throw new Error('The dog has no programme.');
    const version = programme.version + 1;
    change({ programme: { ...programme, ...more(programme), version } });
    return { version };
  };
  const server = openServer({
    'GET /api/session': () => session(units),
    'GET /api/business': () => its,
    'GET /api/members': () => ({ items: [session().member] }),
    'GET /api/appointments': () => ({ items: [] }),
    'GET /api/dogs/:id': () => held.dog,
    'GET /api/dogs/:id/mix': () => ({ mixes: [] }),
    'GET /api/dogs/:id/touched': () => ({ items: [] }),
    'PUT /api/dogs/:id': () => change({}),
    'PUT /api/dogs/:id/archive': ({ body }) => change({ archivedOn: body.archived ? TODAY : null }),
    'POST /api/dogs/:id/weighings': ({ body }) =>
      change({ weighings: [...held.dog.weighings, { ...body, by: MEMBER.name }] }),
    'POST /api/dogs/:id/programme': ({ body }) => {
      change({ programme: { ...body, version: 1, startedOn: TODAY, endedOn: null, lessons: [] } });
      return { id: body.id };
    },
    'POST /api/programmes/:id/lessons': ({ body }) =>
      learn(({ lessons }) => ({ lessons: [...lessons, { ...body, on: TODAY, by: MEMBER.name }] })),
    'PUT /api/programmes/:id': ({ body }) =>
      learn(({ lessons }) => ({
        endedOn: body.ended ? TODAY : null,
        lessons: lessons.filter(({ id }) => id !== body.withoutLesson),
      })),
    'GET /api/clients/:id': () => ({
      client: held.dog.client,
      wishes: null,
      dogs: [
        { id: held.dog.id, name: held.dog.profile.name, breed: 'Pug', archivedOn: null, version: 1, needs: null },
        { id: v7(), name: 'Raddish', breed: 'Pug', archivedOn: null, version: 1, needs: null },
      ],
      housemates: [],
      likelySame: [],
      merges: [],
    }),
    'GET /api/dogs/:id/merge': ({ id, query }) => ({
      of: 'dog',
      survivor: { id, name: held.dog.profile.name },
      gone: { id: query.get('gone') ?? '', name: 'Raddish' },
      moves: ['2 visits', '1 weight'],
      gains: [],
      refused: null,
    }),
    'POST /api/dogs/:id/merge': ({ body }) => ({ id: body.id }),
    'POST /api/dogs/:id/instructions': ({ body }) => {
      change({ instructions: [...held.dog.instructions, { ...body, version: 1, letter: null }] });
      return { id: body.id };
    },
    'PUT /api/instructions/:id': ({ id, body }) => {
      const version = body.version + 1;
      const instructions = held.dog.instructions.map((each) =>
        each.id === id ? { ...each, version, until: body.until } : each,
      );
      change({ instructions });
      return { version };
    },
  });
  return { server, held, ...show(<DogScreen />, { path: '/dogs/:id', at: `/dogs/${first.id}` }) };
}

export const button = (name: RegExp | string) => screen.getByRole('button', { name });
