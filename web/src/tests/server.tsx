import {
  ENDPOINTS,
  type Endpoint,
  type EndpointKey,
  type ParsedBodyOf,
  type Problem,
  type ResponseOf,
} from '@dewpond/contract';
import { QueryClientProvider } from '@tanstack/react-query';
import { render } from '@testing-library/react';
import { PointerEventsCheckLevel, userEvent } from '@testing-library/user-event';
import type { ReactNode } from 'react';
import { MemoryRouter, Route, Routes } from 'react-router';
import { vi } from 'vitest';
import { queryClient } from '../data/queries';
import { Toasts } from '../ui/toasts';

interface AskedOf<K extends EndpointKey> {
  readonly id: string;
  readonly query: URLSearchParams;
  readonly body: ParsedBodyOf<K>;
}
type Answers = { readonly [K in EndpointKey]?: (asked: AskedOf<K>) => ResponseOf<K> };

/** A refusal that a stand-in may throw. */
export class RefusedAnswer extends Error {
  constructor(
    readonly status: number,
    readonly error: Problem['error'],
  ) {
    super(error.message);
  }
}
const refusal = (status: number, message: string, fields?: Problem['error']['fields']) =>
  new RefusedAnswer(status, { kind: 'bad input', message, ...(fields ? { fields } : {}) });

/**
 * Stands in for the server: bodies and answers are held against the contract, so that a screen cannot be shown, nor
 * send, what the real server would not.
 */
export function openServer(answers: Answers): {
  readonly sent: [EndpointKey, unknown][];
  away: boolean;
  /** So many writes arrive, and their answers are lost on the way. */
  loses: number;
} {
  const server = { sent: [] as [EndpointKey, unknown][], away: false, loses: 0 };
  vi.stubGlobal('fetch', (url: string, init: RequestInit = {}) => {
    if (server.away) return Promise.reject(new Error('no network'));
    try {
      const given = answer(answers, server.sent, url, init);
      if ((init.method ?? 'GET') !== 'GET' && server.loses > 0) {
        server.loses -= 1;
        return Promise.reject(new Error('the answer was lost'));
      }
      return Promise.resolve(Response.json(given));
    } catch (error) {
      if (!(error instanceof RefusedAnswer)) throw error;
      return Promise.resolve(Response.json({ error: error.error }, { status: error.status }));
    }
  });
  return server;
}

function answer(answers: Answers, sent: [EndpointKey, unknown][], url: string, init: RequestInit): unknown {
  const { pathname, searchParams } = new URL(url, 'http://dewpond.test');
  const method = init.method ?? 'GET';
  const key = (Object.keys(ENDPOINTS) as EndpointKey[]).find((each) => matches(each, method, pathname));
  const reply = key && (answers[key] as ((asked: AskedOf<EndpointKey>) => unknown) | undefined);
  if (!key || !reply) throw refusal(404, `The stand-in has no answer for ${method} ${pathname}.`);
  const endpoint: Endpoint = ENDPOINTS[key];
  const body: unknown = typeof init.body === 'string' ? JSON.parse(init.body) : undefined;
  const parsed = endpoint.body?.safeParse(body);
  if (parsed && !parsed.success) {
    throw refusal(
      422,
      'Some of it does not fit.',
      parsed.error.issues.map(({ path, message }) => ({ path: path.join('.'), message })),
    );
  }
  if (body !== undefined) sent.push([key, body]);
  const id = pathname.split('/')[3] ?? '';
  return endpoint.response.parse(reply({ id, query: searchParams, body: parsed?.data as never }));
}

function matches(key: EndpointKey, method: string, path: string): boolean {
  const [wanted, template = ''] = key.split(' ');
  return wanted === method && new RegExp(`^${template.replace(':id', '[^/]+')}$`).test(path);
}

/** Shows a screen at its path, as the application does, and gives a person to use it. */
export function show(
  screen: ReactNode,
  { path = '/', at = path }: { readonly path?: string; readonly at?: string } = {},
) {
  // A toast's frame takes the pointer one render after the toast is there: on a slow machine a test is in between.
  const person = userEvent.setup({ pointerEventsCheck: PointerEventsCheckLevel.Never });
  const shown = render(
    <QueryClientProvider client={queryClient}>
      <MemoryRouter initialEntries={[at]}>
        <Routes>
          <Route path={path} element={screen} />
          <Route path="*" element={<p>another screen</p>} />
        </Routes>
      </MemoryRouter>
      <Toasts />
    </QueryClientProvider>,
  );
  return { ...shown, person };
}
