import type { BusinessView } from '@dewpond/contract';
import { Tabs } from 'radix-ui';
import { useBusiness } from '../../../data/queries';
import { ButtonLink } from '../../../ui/ButtonLink';
import { Empty, Waiting } from '../../../ui/Waiting';
import { MixingTabs } from '../MixingTabs';
import { CutPanel } from './CutPanel';
import { HowStrongPanel } from './HowStrongPanel';
import { MixFresh } from './MixFresh';
import { TopUpPanel } from './TopUpPanel';

export function MixingScreen() {
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-3.5">
      <h1>Mixing bench</h1>
      <MixingTabs />
      <Waiting query={useBusiness()} what="The bench">
        {(business) =>
          business.bottles.length === 0 ? (
            <Empty words="The business has no bottles yet: say which ones you mix in, and how many.">
              <ButtonLink to="/mixing/tools" look="main">
                Add the first bottle
              </ButtonLink>
            </Empty>
          ) : (
            <Sums business={business} />
          )
        }
      </Waiting>
    </div>
  );
}

/** What one may have in hand at the bench. */
const JOBS = [
  { id: 'fresh', name: 'Mix fresh', Panel: MixFresh },
  { id: 'cut', name: 'Cut a mix', Panel: CutPanel },
  { id: 'top-up', name: 'Top up a left-over', Panel: TopUpPanel },
  { id: 'how-strong', name: 'How strong is it?', Panel: HowStrongPanel },
] as const;

function Sums({ business }: { readonly business: BusinessView }) {
  return (
    <Tabs.Root defaultValue="fresh">
      <Tabs.List aria-label="At the bench" className="flex flex-wrap gap-1.5 mb-3">
        {JOBS.map(({ id, name }) => (
          <Tabs.Trigger
            key={id}
            value={id}
            className="rounded-full border border-line px-4 min-h-11 font-semibold text-soft hover:text-ink data-[state=active]:bg-pond-pale data-[state=active]:text-pond data-[state=active]:border-pond"
          >
            {name}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
      {JOBS.map(({ id, Panel }) => (
        <Tabs.Content key={id} value={id}>
          <Panel business={business} />
        </Tabs.Content>
      ))}
    </Tabs.Root>
  );
}
