import { Tabs, type TabAt } from '../../ui/Tabs';

const TABS: readonly TabAt[] = [
  { to: '/watch', name: 'To follow up' },
  { to: '/watch/outbox', name: 'Outbox' },
];

export const FollowUpTabs = () => <Tabs label="Following up" tabs={TABS} />;
