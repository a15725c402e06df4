import { Tabs, type TabAt } from '../../ui/Tabs';

const TABS: readonly TabAt[] = [
  { to: '/dogs', name: 'Dogs' },
  { to: '/owners', name: 'Owners' },
  { to: '/vets', name: 'Vets' },
  { to: '/import', name: 'Import, export' },
];

/** The parts of the book. */
export const BookTabs = () => <Tabs label="The book" tabs={TABS} />;
