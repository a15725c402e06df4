import type { MixingView } from '@dewpond/contract';
import { v7 } from 'uuid';
import { clock, type Salon } from './salon';
import { begin, eventsOf } from './tableSide';

export const DAY = 86_400_000;
export const START = clock.now;

/** A product as typed; the business's other products are untouched. */
export const typed = (more: object = {}) => ({
  name: 'Harbour wash',
  kind: 'cleansing' as const,
  label: '24:1',
  waterParts: '24',
  contact: null,
  suppliedBy: 'house' as const,
  containerMl: 5000,
  price: 155,
  pumpId: null,
  ...more,
});

export async function addProduct(salon: Salon, more: object = {}): Promise<string> {
  const id = v7();
  const { status, body } = await salon.call('POST /api/products', { body: { id, ...typed(more) } });
  if (status !== 201) throw new Error(JSON.stringify(body));
  return id;
}
export const enter = (salon: Salon, productId: string, kind: string, ml: number, more: object = {}) =>
  salon.call('POST /api/stock', { body: { id: v7(), productId, kind, ml, ...more } });
export const stockOf = async (salon: Salon, productId: string) =>
  (await salon.call('GET /api/products/:id/ledger', { id: productId })).body.stock;
export const book = (salon: Salon, dogId: string, hour: number, more: object = {}) =>
  salon.call('POST /api/appointments', {
    body: {
      id: v7(),
      dogId,
      memberId: salon.memberId,
      kind: 'bath only',
      startsAt: new Date(START - 9 * 3_600_000 + hour * 3_600_000).toISOString(),
      minutes: 60,
      ...more,
    },
  });
export const mixing = async (salon: Salon): Promise<MixingView> => (await salon.call('GET /api/mixing')).body;
export const bottleOf = async (salon: Salon) => (await salon.call('GET /api/business')).body.bottles[0]?.id ?? '';
export const mixBody = (productId: string, bottleId: string, more: object = {}) => ({
  id: v7(),
  productId,
  waterParts: '24',
  bottleId,
  strokes: 4,
  productMl: 20,
  totalMl: 500,
  forDogId: null,
  lotIds: [],
  ...more,
});
export const makeMix = (salon: Salon, body: object) => salon.call('POST /api/mixes', { body });

/** A visit in which this mix is poured over the dog; all of it is used up as measured. */
export async function take(salon: Salon, dogId: string, mix: string, product: string, override: string | null = null) {
  const id = await begin(salon, dogId);
  return salon.call('POST /api/visits/:id/events', {
    id,
    body: {
      events: eventsOf([
        { type: 'opened' },
        { type: 'mix taken', mix, product, override },
        { type: 'used', product, name: 'Wash', ml: 300, planned: 300, how: 'as planned' },
      ]),
    },
  });
}
