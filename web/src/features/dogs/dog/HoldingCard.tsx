import type { DogView } from '@dewpond/contract';
import { ShieldAlert } from 'lucide-react';
import { Card } from '../../../ui/Card';
import { SourceMark } from '../../../ui/SourceMark';
import { classes } from '../../../ui/classes';

const ABOUT: Readonly<Record<DogView['restraint'][number]['about'], string>> = {
  tether: 'Tether',
  muzzle: 'Muzzle',
  lift: 'Lift',
  approach: 'Approach',
  helper: 'Helper',
  stand: 'Standing',
};

/** How this dog is held, lifted and approached; what goes before a note is marked. */
export function HoldingCard({ dog }: { readonly dog: DogView }) {
  return (
    <Card title="How it is held">
      <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-1.5">
        {dog.restraint.map(({ about, words, because, source, caution }) => (
          <div key={about} className="contents">
            <dt className="text-soft">{ABOUT[about]}</dt>
            <dd className={classes(caution && 'font-semibold text-watch')}>
              {caution && <ShieldAlert size={16} aria-label="mind" className="inline mr-1 -mt-0.5" />}
              {words} <SourceMark source={source} because={because} />
            </dd>
          </div>
        ))}
      </dl>
    </Card>
  );
}
