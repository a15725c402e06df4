import type { EndpointKey, ResponseOf } from '@dewpond/contract';
import { call } from './call';

/** Endpoints that answer page by page. */
type PagedKey = {
  [K in EndpointKey]: ResponseOf<K> extends { readonly items: readonly unknown[]; readonly after: string | null }
    ? K
    : never;
}[EndpointKey];
type ItemOf<K extends PagedKey> = ResponseOf<K>['items'][number];

/** A whole list, one page after the other. */
export async function callPages<K extends PagedKey>(key: K): Promise<ItemOf<K>[]> {
  const items: ItemOf<K>[] = [];
  for (let after: string | null | undefined; after !== null;) {
    const page: ResponseOf<PagedKey> = await call(key, after === undefined ? {} : { query: { after } });
    for (const each of page.items) items.push(each);
    after = page.after;
  }
  return items;
}
