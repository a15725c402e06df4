import type { MixingView, MadeMixView } from '@dewpond/contract';
import { HOUSE_VALUE } from '@dewpond/core/provenance';

import { Printer } from 'lucide-react';
import { useMixing } from '../../../data/queries';
import { useNow } from '../../../browser/useNow';
import { Button } from '../../../ui/Button';
import { SourceMark } from '../../../ui/SourceMark';
import { Empty, Waiting } from '../../../ui/Waiting';
import { MixingTabs } from '../MixingTabs';
import { AsItIs } from './AsItIs';
import { BatchCard } from './BatchCard';
import { sharesOf } from './shares';
import { labelsOf, OpenMixList } from './OpenMixList';
import { showDay } from '../../../browser/times';

/** The day's mixes at the bench: measure early, water late, what stands, and who gets what. */
export function MorningScreen() {
  const query = useMixing();
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-4">
      <header className="flex flex-wrap items-center justify-between gap-3">
        <h1>Morning mix</h1>
        <Button look="quiet" className="no-print" onClick={() => window.print()}>
          <Printer size={18} aria-hidden /> Print the list
        </Button>
      </header>
      <MixingTabs />
      <Waiting query={query} what="The morning mix">
        {(mixing) => <Morning mixing={mixing} ahead={mixing.serverNow - query.dataUpdatedAt} />}
      </Waiting>
    </div>
  );
}

interface MorningProps {
  readonly mixing: MixingView;
  /** The server's clock less this device's, ms: what is past is past by the server's. */
  readonly ahead: number;
}

function Morning({ mixing, ahead }: MorningProps) {
  const now = useNow(30_000) + ahead;
  const past = (mix: MadeMixView) => now >= Date.parse(mix.discardAt);
  const fresh = mixing.openMixes.filter((mix) => !past(mix));
  const dry = fresh.filter(({ wateredAt }) => wateredAt === null);
  const ready = fresh.filter(({ wateredAt }) => wateredAt !== null);
  const old = mixing.openMixes.filter(past);
  const toMake = mixing.batches.filter(({ wanted }) => wanted > 0);
  const shares = sharesOf(mixing);
  const nothing = mixing.batches.length + mixing.asItIs.length + mixing.openMixes.length + mixing.trouble.length === 0;
  if (nothing)
    return (
      <Empty words={`${showDay(mixing.day)}: nothing to mix. Once a dog with a bath is booked, its mix stands here.`} />
    );
  return (
    <>
      <Summary mixing={mixing} toMake={toMake.length} dry={dry.length} ready={ready.length} />
      {mixing.trouble.map(({ dog, words }) => (
        <p key={dog + words} role="alert" className="rounded-xl bg-watch-pale text-watch font-semibold px-4 py-3">
          {dog}: {words} Nothing is mixed for it until you choose.
        </p>
      ))}
      {old.length > 0 && (
        <section aria-label="Past their time">
          <h2 className="text-stop mb-2">Pour away: past their time</h2>
          <OpenMixList mixes={old} shares={shares} kind="past" zone={mixing.zone} />
        </section>
      )}
      {toMake.length > 0 && (
        <section aria-label="Measure early">
          <h2>1. Early: measure the product in</h2>
          <p className="text-soft mb-2">Tick each bottle once its product is in. Water comes later, warm.</p>
          <div className="grid grid-cols-3 max-lg:grid-cols-1 print:grid-cols-1 gap-3.5 items-start">
            {toMake.map((batch) => (
              <div
                key={batch.product.id + (batch.forDog?.id ?? '')}
                className={batch.bottles.length > 1 ? 'col-span-2 max-lg:col-span-1' : ''}
              >
                <BatchCard batch={batch} />
              </div>
            ))}
          </div>
        </section>
      )}
      {dry.length > 0 && (
        <section aria-label="Warm water, late">
          <h2>2. Late: warm water to the mark, just before its first dog</h2>
          <p className="text-soft mb-2">
            35–38 °C; cooler for flat-faced dogs. Turn the bottle, do not shake.{' '}
            <SourceMark source={HOUSE_VALUE} because="Lukewarm is common practice; the degrees are the business’s." />
          </p>
          <OpenMixList mixes={dry} shares={shares} kind="dry" zone={mixing.zone} />
        </section>
      )}
      {ready.length > 0 && (
        <section aria-label="Ready">
          <h2 className="mb-2">Ready at the bench</h2>
          <OpenMixList mixes={ready} shares={shares} kind="ready" zone={mixing.zone} />
        </section>
      )}
      {mixing.asItIs.length > 0 && <AsItIs list={mixing.asItIs} />}
    </>
  );
}

interface SummaryProps {
  readonly mixing: MixingView;
  readonly toMake: number;
  readonly dry: number;
  readonly ready: number;
}

/** What to do next, in one line; labels for all that stands. */
function Summary({ mixing, toMake, dry, ready }: SummaryProps) {
  const bottles = mixing.batches.reduce((sum, batch) => sum + batch.bottles.length, 0);
  const parts = [
    toMake > 0 && `${bottles} ${bottles === 1 ? 'bottle' : 'bottles'} to measure`,
    dry > 0 && `${dry} ${dry === 1 ? 'waits' : 'wait'} for water`,
    ready > 0 && `${ready} ready`,
  ].filter(Boolean);
  const openMixes = mixing.openMixes.filter(({ discardAt }) => Date.parse(discardAt) > mixing.serverNow);
  return (
    <div className="flex flex-wrap items-center justify-between gap-3">
      <p className="text-lg">
        <b>{showDay(mixing.day)}:</b> {parts.length > 0 ? parts.join(' · ') : 'all is mixed and used.'}
      </p>
      {openMixes.length > 0 && (
        <a
          href={labelsOf(openMixes)}
          target="_blank"
          rel="noreferrer"
          className="no-print rounded-xl border border-pond text-pond font-semibold px-4 min-h-11 inline-flex items-center hover:bg-pond-pale"
        >
          Labels for {openMixes.length} {openMixes.length === 1 ? 'bottle' : 'bottles'} (PDF, 62 mm)
        </a>
      )}
    </div>
  );
}
