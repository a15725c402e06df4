import { useMay } from '../../data/useMay';
import { Tabs, type TabAt } from '../../ui/Tabs';

const OWNERS: TabAt = { to: '/owners', name: 'Owners' };
const TABS: readonly TabAt[] = [
  { to: '/dogs', name: 'Dogs' },
  OWNERS,
  { to: '/vets', name: 'Vets' },
  { to: '/import', name: 'Import, export' },
];

/** The parts of the book that whoever is signed in may see. */
export function BookTabs() {
  const maySee = useMay('see addresses');
  return <Tabs label="The book" tabs={TABS.filter((tab) => tab !== OWNERS || maySee)} />;
}
