import { USUAL_VAN, type VanWays } from '@dewpond/core/route';
import { at, owner } from './owners';
import type { DemoBusiness, DemoDog } from './shape';
import { BOTTLES, PRODUCTS } from './shelf';

/** A dog of the van's round, booked for today. */
const farm = (
  name: string,
  number: string,
  where: Parameters<typeof at>,
  dog: string,
  breed: string,
  weightKg: number,
  time: string,
  minutes = 45,
): DemoDog => ({
  owner: owner(name, `01632 960${number}`, { address: at(...where) }),
  profile: { name: dog, ageYears: 5, breeds: [breed], weightKg, sex: 'dog' },
  hidden: {},
  everyDays: 35,
  visits: 2,
  lastVisitDaysAgo: 35,
  today: { at: time, person: 0, minutes, kind: minutes > 45 ? 'bath only' : 'ears and nails' },
});

/** The small electric van, with its tank, tap and battery. */
export const CORACLE_VAN: VanWays = {
  ...USUAL_VAN,
  home: { latitude: 50.3301, longitude: -4.1212 },
  tank: 60,
  refills: [{ name: 'Reed Bank tap', at: { latitude: 50.3585, longitude: -4.158 }, minutes: 10 }],
  battery: 2400,
};

/** A van of its own: six farms on one day. */
export const CORACLE: DemoBusiness = {
  name: 'Coracle Mobile Grooming',
  slug: 'coracle',
  phone: '01632 960300',
  email: 'hello@coracle.example',
  ways: {},
  people: [{ name: 'Noor Haddad', email: 'noor@coracle.example', role: 'manager' }],
  products: PRODUCTS,
  bottles: BOTTLES.slice(0, 3),
  van: CORACLE_VAN,
  dogs: [
    farm(
      'Greta Lindqvist',
      '301',
      ['Causeway Farm', 'TM5 1AA', 50.3722, -4.0935],
      'Larch',
      'german-shepherd',
      31,
      '8:30',
    ),
    farm('Kofi Mensah', '302', ['Saltpan House', 'TM3 6EG', 50.3409, -4.1051], 'Pippin', 'jack-russell', 6.8, '10:15'),
    farm(
      'Mairi Sinclair',
      '303',
      ['Gull Rock', 'TM5 4CD', 50.3655, -4.1402],
      'Nettle',
      'border-collie',
      18.4,
      '11:15',
      75,
    ),
    farm('Yusuf Demir', '304', ['Reed Bank Mill', 'TM4 7RC', 50.3598, -4.1655], 'Saffron', 'cocker', 13.5, '13:15'),
    farm('Hanna Virtanen', '305', ['Upper Chalk', 'TM2 9JK', 50.3441, -4.1512], 'Vesper', 'bichon', 5.4, '14:30', 75),
    farm('Pilar Ocampo', '306', ['Islet Ferry', 'TM5 2BB', 50.3781, -4.1188], 'Rook', 'labrador', 29, '15:45'),
  ],
};
