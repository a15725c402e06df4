import type { BusinessView } from '@dewpond/contract';
import { ALL_HOUSE_QUESTIONS, HOUSE_QUESTIONS, HOUSE_STANCES, type HouseQuestion } from '@dewpond/core/ways';
import { COMMON_PRACTICE, HOUSE_VALUE } from '@dewpond/core/provenance';
import { RadioGroup } from 'radix-ui';
import { useWhoMay } from '../../../data/useMay';
import { May } from '../../../parts/May';
import { call } from '../../../api/call';
import { useBusiness } from '../../../data/queries';
import { useSavedAtOnce } from '../../../forms/useSavedAtOnce';
import { ButtonLink } from '../../../ui/ButtonLink';
import { SelectField } from '../../../ui/SelectField';
import { Card } from '../../../ui/Card';
import { SourceMark } from '../../../ui/SourceMark';
import { NotSaved } from '../../../forms/NotSaved';
import { Waiting } from '../../../ui/Waiting';
import type { SchoolTried } from './bookWorker';
import { BreedsCard } from '../breeds/BreedsCard';
import { LiftField, ServicesCard } from './ServicesCard';
import { IntervalsCard } from './IntervalsCard';
import { VisitKindsCard } from './VisitKindsCard';
import { WashesCard } from './WashesCard';
import { CHOICE_NAMES, choicesOf, businessOf, oneChoice, showChoice, type WayChoices } from './wayChoices';
import { triedKey, useBookChanges, type BookChanges } from './useBookChanges';

/** Each question where the trade disagrees, as a card: the schools, what speaks for each, the business's choice. */
export function WaysScreen() {
  return (
    <Waiting query={useBusiness()} what="The house ways">
      {(business) => <Schools business={business} />}
    </Waiting>
  );
}

/** ISO 4217; which one costs are told in. Nothing is converted. */
const CURRENCIES = ['GBP', 'EUR', 'USD', 'AUD', 'CAD', 'CHF', 'DKK', 'NOK', 'NZD', 'PLN', 'SEK'] as const;

function Schools({ business }: { readonly business: BusinessView }) {
  const changes = useBookChanges(business.version);
  const whoMayChange = useWhoMay('house ways');
  const saving = useSavedAtOnce<WayChoices>(
    { version: business.version, form: choicesOf(business) },
    'PUT /api/business',
    {
      keep: (choices, version) => call('PUT /api/business', { body: { ...businessOf(choices), version } }),
      says: 'Changed. Every plan follows at once.',
    },
  );
  const { ways, services, units, currency, liftAloneKg } = businessOf(saving.form);
  const { change } = saving;
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-4">
      <header className="flex flex-wrap items-center justify-between gap-x-4 gap-y-2">
        <div>
          <h1>House ways</h1>
          <p className="text-soft">
            Where the trade disagrees, {business.name} chooses. {whoMayChange}
          </p>
        </div>
        <div className="flex flex-wrap gap-3">
          <ButtonLink to="/house/people" look="quiet">
            People
          </ButtonLink>
          <ButtonLink to="/house/branches" look="quiet">
            Salons and vans
          </ButtonLink>
          <ButtonLink to="/house/rights" look="quiet">
            Who may what
          </ButtonLink>
          <May deed="report tablets">
            <ButtonLink to="/house/tablets" look="quiet">
              Tablets
            </ButtonLink>
          </May>
          <May deed="see the status">
            <ButtonLink to="/house/status" look="quiet">
              Status
            </ButtonLink>
          </May>
          <May deed="say what is kept">
            <ButtonLink to="/house/kept" look="quiet">
              What is kept
            </ButtonLink>
          </May>
          <May deed="read the log">
            <ButtonLink to="/house/audit" look="quiet">
              Who did what
            </ButtonLink>
          </May>
          <ButtonLink to="/house/clean-downs" look="quiet">
            Clean-down log
          </ButtonLink>
          <ButtonLink to="/house/words" look="quiet">
            Our words
          </ButtonLink>
          <ButtonLink to="/methods" look="quiet">
            How it is done
          </ButtonLink>
        </div>
      </header>
      <div className="flex flex-wrap items-end gap-3">
        <SelectField
          label="Units of the business"
          value={units}
          disabled={!business.mayEdit}
          onChange={(event) => change({ units: event.target.value as BusinessView['units'] })}
        >
          <option value="metric">metric</option>
          <option value="US">US</option>
        </SelectField>
        <SelectField
          label="Currency"
          value={currency}
          disabled={!business.mayEdit}
          onChange={(event) => change({ currency: event.target.value })}
        >
          {CURRENCIES.map((code) => (
            <option key={code} value={code}>
              {code}
            </option>
          ))}
        </SelectField>
        <LiftField
          kg={liftAloneKg}
          units={units}
          disabled={!business.mayEdit}
          onChange={(kg) => change({ liftAloneKg: kg })}
        />
      </div>
      <NotSaved at={saving} what="the house ways" names={CHOICE_NAMES} show={showChoice} />
      <ServicesCard
        services={services}
        disabled={!business.mayEdit}
        onChange={(key, does) => change(oneChoice(`does ${key}`, does))}
      />
      <WashesCard
        choices={saving.form}
        washes={ways.washes}
        units={units}
        disabled={!business.mayEdit}
        onChange={change}
        decides={changes.decides}
      />
      <VisitKindsCard
        kinds={saving.form.visitKinds}
        disabled={!business.mayEdit}
        onChange={(visitKinds) => change({ visitKinds })}
      />
      <IntervalsCard choices={saving.form} disabled={!business.mayEdit} onChange={change} changes={changes} />
      <div className="columns-[320px] gap-3.5">
        {ALL_HOUSE_QUESTIONS.map((question) => (
          <QuestionCard
            key={question}
            question={question}
            chosen={ways[question]}
            changes={changes.tried}
            disabled={!business.mayEdit}
            onChoose={(school) => change(oneChoice(`way ${question}`, school))}
          />
        ))}
      </div>
      <BreedsCard business={business} />
      <Stances />
    </div>
  );
}

/** Where the trade disagrees and the choice is not offered: what Dewpond does, and why. */
function Stances() {
  return (
    <Card
      title="Not for a business to choose"
      aside={<SourceMark source={HOUSE_VALUE} because="Where work can hurt, Dewpond has one answer." />}
    >
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(320px,1fr))] gap-x-6 gap-y-3">
        {HOUSE_STANCES.map(({ asks, schools, does, why }) => (
          <li key={asks}>
            <p className="font-semibold">{asks}</p>
            <p className="text-sm text-soft">Schools: {schools}</p>
            <p className="text-sm">
              {does} {why}
            </p>
          </li>
        ))}
      </ul>
    </Card>
  );
}

/** "would change 5 of 8 plans", once it is known. */
function WouldChange({ tried }: { readonly tried: SchoolTried | undefined }) {
  if (!tried || tried.of === 0) return null;
  const words = tried.changed === 0 ? 'would change no plan' : `would change ${tried.changed} of ${tried.of} plans`;
  return <span className="block text-sm text-pond leading-snug">{words}</span>;
}

interface QuestionCardProps {
  readonly question: HouseQuestion;
  readonly chosen: string;
  readonly changes: BookChanges['tried'];
  readonly disabled: boolean;
  readonly onChoose: (school: string) => void;
}

function QuestionCard({ question, chosen, changes, disabled, onChoose }: QuestionCardProps) {
  const { asks, schools } = HOUSE_QUESTIONS[question];
  const list: readonly {
    readonly id: string;
    readonly words: string;
    readonly for: string;
    readonly warns?: string;
  }[] = schools;
  return (
    <Card
      className="mb-3.5 break-inside-avoid"
      title={asks}
      aside={<SourceMark source={COMMON_PRACTICE} because="Good salons work either way; the choice is yours." />}
    >
      <RadioGroup.Root
        value={chosen}
        onValueChange={onChoose}
        disabled={disabled}
        aria-label={asks}
        className="flex flex-col gap-1.5"
      >
        {list.map((school) => (
          <RadioGroup.Item
            key={school.id}
            value={school.id}
            className="text-left rounded-xl border px-3 py-2 min-h-14 border-line data-[state=checked]:border-pond data-[state=checked]:bg-pond-pale disabled:opacity-80"
          >
            <span className="flex items-start gap-2.5">
              <span
                aria-hidden
                className={`mt-1 size-4 rounded-full border-2 shrink-0 ${chosen === school.id ? 'border-pond bg-pond' : 'border-soft'}`}
              />
              <span>
                <span className="block font-semibold leading-snug">{school.words}</span>
                <span className="block text-sm text-soft leading-snug">{school.for}</span>
                {chosen !== school.id && <WouldChange tried={changes[triedKey(question, school.id)]} />}
                {school.warns && (
                  <span className="block text-sm text-watch font-semibold leading-snug">{school.warns}</span>
                )}
              </span>
            </span>
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
    </Card>
  );
}
