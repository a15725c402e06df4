import { ENDPOINTS, FILES } from '@dewpond/contract';
import type { IRouter } from 'express';
import { expect, test } from 'vitest';
import { bareApp } from './salon';

interface Layer {
  readonly route?: { readonly path: string; readonly methods: Readonly<Record<string, boolean>> };
  readonly handle?: Partial<IRouter>;
}

/** Every method and path that is served, as often as it is. */
function served(stack: readonly Layer[]): string[] {
  return stack.flatMap(({ route, handle }) => {
    if (route)
      return Object.keys(route.methods)
        .filter((method) => method !== '_all')
        .map((method) => `${method.toUpperCase()} ${route.path}`);
    return handle?.stack ? served(handle.stack as unknown as Layer[]) : [];
  });
}

test('every endpoint and every file of the contract has exactly one route, and no route is outside it', () => {
  const routes = served(bareApp.router.stack as unknown as Layer[]).filter(
    (each) => each.includes(' /api/') && !each.includes(' /api/auth/'),
  );
  const promised = [...Object.keys(ENDPOINTS), ...Object.keys(FILES), 'GET /api/openapi.json'];
  // An import has a larger body: its reader stands in front of its route.
  expect(routes.toSorted()).toEqual([...promised, 'POST /api/imports'].toSorted());
});
