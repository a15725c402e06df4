import { beginning } from '@dewpond/contract';
import { LANGUAGES, LANGUAGE_NAMES, type Language } from '@dewpond/core/clients';
import { KG_PER_POUND } from '@dewpond/core/units';
import {
  COUNTRY_CODES,
  SERVICES,
  countryOf,
  countryOfZone,
  type BusinessDoes,
  type CountryCode,
} from '@dewpond/core/ways';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { v7 } from 'uuid';
import type { z } from 'zod';
import { call } from '../../api/call';
import { signInWith } from '../../api/signingIn';
import { FormFoot } from '../../forms/FormFoot';
import { typedNumber } from '../../forms/typedNumber';
import { fresh, useDraft, type Fields } from '../../forms/useDraft';
import { DoorPage } from '../../parts/door/DoorPage';
import { Card } from '../../ui/Card';
import { TextField } from '../../ui/Field';
import { SelectField } from '../../ui/SelectField';

/** Where the first link of an installation leads: from nothing to a business that can be worked with. */
export function BeginScreen() {
  const token = window.location.hash.slice(1);
  const query = useQuery({
    queryKey: ['begin link'],
    queryFn: () => call('POST /api/begin/look', { body: { token } }),
    retry: false,
    staleTime: Infinity,
  });
  if (query.isPending) return <DoorPage says="One moment…" />;
  if (query.isError) return <DoorPage title="This link opens nothing" says={query.error.message} />;
  return <Begin token={token} />;
}

interface BeginForm {
  readonly name: string;
  readonly country: CountryCode;
  readonly zone: string;
  readonly units: 'metric' | 'US';
  readonly currency: string;
  readonly language: Language;
  readonly phone: string;
  readonly lift: string;
  readonly earHair: BusinessDoes;
  readonly manager: string;
  readonly email: string;
  readonly password: string;
  readonly examples: 'yes' | 'no';
}

const here = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;

/** What a country usually has; the device's own zone where it lies in it. */
function usualOf(
  code: CountryCode,
  zone: string,
): Pick<BeginForm, 'zone' | 'units' | 'currency' | 'language' | 'lift'> {
  const { zones, units, currency, language, liftAloneKg } = countryOf(code);
  return {
    ...{ units, currency, language },
    zone: zones.includes(zone) ? zone : (zones[0] ?? zone),
    lift: weightWords(liftAloneKg, units),
  };
}

const weightWords = (kg: number, units: 'metric' | 'US'): string =>
  String(units === 'US' ? Math.round(kg / KG_PER_POUND) : kg);

const bodyOf =
  (token: string, id: string) =>
  (form: BeginForm): z.input<typeof beginning> => {
    const { name, country, zone, units, currency, language, phone, earHair, manager, email, password } = form;
    const lift = typedNumber(form.lift);
    const liftAloneKg = units === 'US' ? lift * KG_PER_POUND : lift;
    return {
      ...{ token, id, examples: form.examples === 'yes' },
      business: { name, country, zone, units, currency, language, phone, liftAloneKg, earHair },
      manager: { name: manager, email, password },
    };
  };

function Begin({ token }: { readonly token: string }) {
  const [id] = useState(() => v7());
  const [began] = useState((): BeginForm => {
    const country = countryOfZone(here()) ?? 'GB';
    return {
      ...{ name: '', country, phone: '', earHair: 'done', manager: '', email: '', password: '', examples: 'yes' },
      ...usualOf(country, here()),
    };
  });
  const draft = useDraft<BeginForm, typeof beginning, z.input<typeof beginning>>(fresh(began), {
    as: bodyOf(token, id),
    fits: beginning,
  });
  const begin = useMutation({
    mutationFn: (body: z.input<typeof beginning>) =>
      call('POST /api/begin', { body }).then(async ({ email }) => {
        await signInWith(email, body.manager.password);
        window.location.assign('/');
      }),
    onError: draft.refuse,
  });
  return (
    <DoorPage wide title="Begin" says="A place for your dogs. All of it can be changed later.">
      <form onSubmit={draft.submit((body) => begin.mutate(body))} className="flex flex-col gap-4">
        <TheBusiness draft={draft} />
        <TheHouse draft={draft} />
        <You draft={draft} />
        <FormFoot draft={draft} does={begin.isPending ? 'Beginning…' : 'Begin'} disabled={begin.isPending} />
      </form>
    </DoorPage>
  );
}

interface Part {
  readonly draft: Fields<BeginForm>;
}
/** "Mexico City (America)" */
const zoneName = (zone: string): string => {
  const [region = '', ...city] = zone.replaceAll('_', ' ').split('/');
  return city.length > 0 ? `${city.at(-1)} (${region})` : region;
};
const GRID = 'grid grid-cols-2 max-md:grid-cols-1 gap-x-4 gap-y-3';

function TheBusiness({ draft }: Part) {
  const { form, set, field } = draft;
  const { zones } = countryOf(form.country);
  const ofDevice = here();
  const offered = [...new Set([...zones, form.zone, ofDevice])];
  return (
    <Card title="The business">
      <div className={GRID}>
        <TextField label="Name" autoComplete="organization" {...field('name', 'business.name')} />
        <TextField label="Telephone" type="tel" autoComplete="tel" {...field('phone', 'business.phone')} />
        <SelectField
          label="Country"
          hint="It fills in what stands below."
          {...field('country', 'business.country')}
          onChange={({ target }) => {
            const country = target.value as CountryCode;
            set({ country, ...usualOf(country, ofDevice) });
          }}
        >
          {COUNTRY_CODES.map((code) => (
            <option key={code} value={code}>
              {countryOf(code).name}
            </option>
          ))}
        </SelectField>
        <SelectField label="Time zone" {...field('zone', 'business.zone')}>
          {offered.map((zone) => (
            <option key={zone} value={zone}>
              {zoneName(zone)}
            </option>
          ))}
        </SelectField>
        <SelectField
          label="Units"
          hint={
            form.units === 'US'
              ? 'Ounces and pounds, weeks from Sunday.'
              : 'Millilitres and kilograms, weeks from Monday.'
          }
          {...field('units', 'business.units')}
          onChange={({ target }) => {
            const units = target.value as 'metric' | 'US';
            set({ units, lift: weightWords(countryOf(form.country).liftAloneKg, units) });
          }}
        >
          <option value="metric">metric</option>
          <option value="US">US</option>
        </SelectField>
        <TextField label="Currency" hint="Three letters." maxLength={3} {...field('currency', 'business.currency')} />
        <SelectField label="Owners read" {...field('language', 'business.language')}>
          {LANGUAGES.map((each) => (
            <option key={each} value={each}>
              {LANGUAGE_NAMES[each]}
            </option>
          ))}
        </SelectField>
      </div>
    </Card>
  );
}

function TheHouse({ draft }: Part) {
  const { form, field } = draft;
  const { liftSource } = countryOf(form.country);
  const { means, warns } = SERVICES['ear hair'];
  return (
    <Card title="Law and backs">
      <div className={GRID}>
        <SelectField label="Hair in the ear canal" hint={warns} {...field('earHair', 'business.earHair')}>
          {(Object.entries(means) as [BusinessDoes, string][]).map(([does, says]) => (
            <option key={does} value={does}>
              {says}
            </option>
          ))}
        </SelectField>
        <TextField
          label={`Lifted by two above, ${form.units === 'US' ? 'lb' : 'kg'}`}
          inputMode="decimal"
          hint={`${liftSource}.`}
          {...field('lift', 'business.liftAloneKg')}
        />
        <p className="col-span-full text-sm text-soft">
          Your local code comes first. Dewpond knows no law of your place: ask who licenses you, then say it here.
        </p>
      </div>
    </Card>
  );
}

function You({ draft }: Part) {
  const { field } = draft;
  return (
    <Card title="You" aside="owner-manager: you may everything">
      <div className={GRID}>
        <TextField label="Your name, as records say it" autoComplete="name" {...field('manager', 'manager.name')} />
        <TextField
          label="Your e-mail"
          type="email"
          autoComplete="username"
          hint="You sign in with it."
          {...field('email', 'manager.email')}
        />
        <TextField
          label="Password"
          type="password"
          autoComplete="new-password"
          hint="Ten characters or more. A few words that do not belong together are good."
          {...field('password', 'manager.password')}
        />
        <SelectField label="Products to try with" hint="Put them away when your own are there." {...field('examples')}>
          <option value="yes">five examples, a pump, four bottles</option>
          <option value="no">an empty shelf</option>
        </SelectField>
      </div>
    </Card>
  );
}
