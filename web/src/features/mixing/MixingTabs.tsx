import { useMay } from '../../data/useMay';
import { Tabs, type TabAt } from '../../ui/Tabs';

const COSTS: TabAt = { to: '/mixing/costs', name: 'Cost and waste' };
const TABS: readonly TabAt[] = [
  { to: '/mixing', name: 'Mix' },
  { to: '/mixing/morning', name: 'Morning mix' },
  { to: '/mixing/products', name: 'Products' },
  { to: '/mixing/tools', name: 'Bottles and pumps' },
  { to: '/mixing/stock', name: 'Stock' },
  COSTS,
  { to: '/mixing/trace', name: 'Trace' },
];

/** The parts of the bench that whoever is signed in may see. */
export function MixingTabs() {
  const maySee = useMay('see costs');
  return <Tabs label="The bench" tabs={TABS.filter((tab) => tab !== COSTS || maySee)} />;
}
