import { describe, expect, test } from 'vitest';
import { day } from '@dewpond/core/units';
import { z } from 'zod';
import {
  ENDPOINTS,
  FILES,
  dogProfile,
  newAppointment,
  newClient,
  newInstruction,
  notInFuture,
  openApiDocument,
  visitEvent,
} from '.';

const ID = '0192f0c4-7a5e-7cc3-98c4-dc0c0c07398f';
const messages = (result: { error?: { issues: { message: string }[] } }) =>
  result.error?.issues.map((issue) => issue.message).join(' ');

describe('bad input is refused in plain words', () => {
  const dog = { name: 'Teasel', weightKg: 14.2 };
  test.each([
    [{ ...dog, weightKg: 0 }, 'at least 0.3 kg'],
    [{ ...dog, weightKg: -3 }, 'at least 0.3 kg'],
    [{ ...dog, weightKg: 400 }, 'at most 130 kg'],
    [{ ...dog, weightKg: 'heavy' }, 'number of kilograms'],
    [{ ...dog, weightKg: Number.NaN }, 'number of kilograms'],
    [{ ...dog, name: '   ' }, 'name is missing'],
    [{ ...dog, name: 'x'.repeat(81) }, 'longer than 80'],
    [{ ...dog, breeds: ['No Such!'] }, 'No such breed'],
    [{ ...dog, chip: '12' }, 'fifteen digits'],
    [{ ...dog, handling: { minds: ['the moon'] } }, 'Not one of the choices'],
    [{ ...dog, breeds: Array.from({ length: 9 }, () => 'pug') }, 'eighths of a cross'],
    [{ ...dog, born: '2026-02-30' }, 'Give a date'],
    [{ ...dog, colour: 'red' }, 'Unrecognized key'],
  ])('%j', (input, words) => {
    expect(messages(dogProfile.safeParse(input))).toContain(words);
  });

  test('a birthday still to come', () => {
    const profile = dogProfile.parse({ ...dog, born: '2026-11-26' });
    expect(notInFuture(profile, day('2026-11-25'))?.path).toBe('born');
    expect(notInFuture(profile, day('2026-11-26'))).toBeNull();
  });

  test('ids must be version 7, e-mail and phone must look like it', () => {
    expect(messages(newClient.safeParse({ id: '0192f0c4-7a5e-4cc3-98c4-dc0c0c07398f', name: 'A' }))).toContain(
      'UUID version 7',
    );
    expect(messages(newClient.safeParse({ id: ID, name: 'A', card: { emails: ['no'] } }))).toContain('no e-mail');
    const withCard = (card: object) => messages(newClient.safeParse({ id: ID, name: 'A', card }));
    expect(withCard({ phones: [{ number: '<b>' }] })).toContain('Digits');
    expect(withCard({ address: { coordinates: { latitude: 95, longitude: 0 } } })).toContain('between −90 and 90');
    expect(withCard({ address: { coordinates: { latitude: 0, longitude: -181 } } })).toContain('between −180 and 180');
  });

  test('marks of handling written as words, as they used to be, stay', () => {
    const { handling } = dogProfile.parse({ ...dog, handling: ['Own towel'] });
    expect(handling).toMatchObject({ marks: ['Own towel'], minds: [], helper: 'no helper' });
  });

  test('an instruction that ends before it begins; a visit of no length', () => {
    const given = {
      id: ID,
      by: 'vet',
      who: 'Dr Oyelaran',
      place: null,
      says: { kind: 'bar', task: 'bath' },
      from: '2026-03-02',
      until: '2026-03-01',
    };
    expect(messages(newInstruction.safeParse(given))).toContain('ends before it begins');
    expect(
      messages(
        newAppointment.safeParse({
          id: ID,
          dogId: ID,
          kind: 'full visit',
          startsAt: '2026-12-01T09:00:00Z',
          minutes: 0,
          memberId: ID,
        }),
      ),
    ).toContain('15 minutes');
  });

  test('an event: a sign of another place, an absurd clock, an unknown kind', () => {
    const event = {
      id: ID,
      v: 1,
      counter: 1,
      device: 'd',
      at: Date.UTC(2026, 10, 25),
      offset: null,
      what: { type: 'opened' },
    };
    const found = (sign: string) => ({
      ...event,
      what: { type: 'found', finding: { place: { site: 'ear', side: 'left' }, sign, grade: 1, answer: null } },
    });
    expect(visitEvent.safeParse(event).success).toBe(true);
    expect(visitEvent.safeParse(found('ear damp')).success).toBe(true);
    expect(messages(visitEvent.safeParse(found('eye wet')))).toContain('not seen at that place');
    expect(visitEvent.safeParse({ ...event, at: 9e15 }).success).toBe(false);
    expect(visitEvent.safeParse({ ...event, what: { type: 'exploded' } }).success).toBe(false);
  });
});

test('the OpenAPI document covers every endpoint and no schema is lost', () => {
  const document = openApiDocument('0.1.0') as {
    openapi: string;
    tags: { name: string }[];
    paths: Record<string, Record<string, { requestBody?: unknown; tags: string[] }>>;
  };
  expect(document.openapi).toBe('3.1.0');
  expect(document.paths['/api/dogs/{id}']).toHaveProperty('put.requestBody.content');
  expect(JSON.stringify(document.paths['/api/clients'])).toContain('"maxLength":120');
  const operations = Object.entries(document.paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, operation]) => ({ key: `${method.toUpperCase()} ${path}`, operation })),
  );
  expect(operations).toHaveLength(Object.keys(ENDPOINTS).length + Object.keys(FILES).length);
  const tags = document.tags.map(({ name }) => name);
  for (const { operation } of operations) expect(tags).toContain(operation.tags[0]);
  expect(document.paths['/api/visits/{id}/live']).toHaveProperty('get.responses.200.content.text/event-stream');
});

test('an answer says what it holds: nothing of it is left unchecked', () => {
  const free: string[] = [];
  for (const [key, { response }] of Object.entries(ENDPOINTS))
    JSON.stringify(z.toJSONSchema(response, { io: 'input', unrepresentable: 'any' }), (at: string, each: unknown) => {
      if (
        each !== null &&
        typeof each === 'object' &&
        Object.keys(each).length === 0 &&
        at !== 'properties' &&
        at !== 'default'
      )
        free.push(`${key}: ${at}`);
      return each;
    });
  // What happened at a visit is of many forms, and newer devices write more of them: only that it has a type is promised.
  expect(free.filter((each) => !each.endsWith(': additionalProperties'))).toEqual([]);
});
