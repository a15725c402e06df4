import { Tabs, type TabAt } from '../../ui/Tabs';

const TABS: readonly TabAt[] = [
  { to: '/mixing', name: 'Mix' },
  { to: '/mixing/morning', name: 'Morning mix' },
  { to: '/mixing/products', name: 'Products' },
  { to: '/mixing/tools', name: 'Bottles and pumps' },
  { to: '/mixing/stock', name: 'Stock' },
  { to: '/mixing/costs', name: 'Cost and waste' },
  { to: '/mixing/trace', name: 'Trace' },
];

/** The parts of the bench. */
export const MixingTabs = () => <Tabs label="The bench" tabs={TABS} />;
