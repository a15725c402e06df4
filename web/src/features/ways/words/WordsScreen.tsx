import { businessProfileEdit, type BusinessProfileView } from '@dewpond/contract';
import { LANGUAGES, LANGUAGE_NAMES, type Language } from '@dewpond/core/clients';
import { shippedWords, wordingIn, wordingProblem, type BusinessWording, type WordingKey } from '@dewpond/core/wording';
import { Undo2 } from 'lucide-react';
import { useMemo, useState } from 'react';
import type { z } from 'zod';
import { useWhoMay } from '../../../data/useMay';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { useBusinessProfile } from '../../../data/queries';
import { Button } from '../../../ui/Button';
import { ButtonLink } from '../../../ui/ButtonLink';
import { useSavedAtOnce } from '../../../forms/useSavedAtOnce';
import { useDraft } from '../../../forms/useDraft';
import { Card } from '../../../ui/Card';
import { Conflict } from '../../../forms/Conflict';
import { Choice } from '../../../ui/Choice';
import { TextField } from '../../../ui/Field';
import { SelectField } from '../../../ui/SelectField';
import { NotSaved } from '../../../forms/NotSaved';
import { Waiting } from '../../../ui/Waiting';
import { tell } from '../../../ui/tell';
import { LineField } from '../../../parts/sheet/EditedLine';
import { SHIPPED_NAMES, saidField, saidOf, wordingOf, type SavedWords } from './saidWords';

/** How the business signs and speaks: what stands at the head of a sheet, and every sentence an owner can read. */
export function WordsScreen() {
  const query = useBusinessProfile();
  return (
    <Waiting query={query} what="The words of the business">
      {(view) => <Words view={view} />}
    </Waiting>
  );
}

const GROUPS = {
  sentence: 'Sentences of a sheet',
  advice: 'What we ask of the owner',
  meanwhile: 'Until it is clear, or a vet has looked',
  sign: 'Signs, as an owner reads them',
  home: 'What is done at home',
  choice: 'Why something was left out',
  subject: 'Subjects of messages',
  message: 'Messages',
} as const;
const groupOf = (key: string) =>
  (Object.keys(GROUPS) as (keyof typeof GROUPS)[]).find((group) => key.startsWith(`${group} `));

const SAVED = 'Saved. Sheets made from now on say it this way.';

function Words({ view }: { readonly view: BusinessProfileView }) {
  const saving = useSavedAtOnce<SavedWords>({ version: view.version, form: saidOf(view.wording) }, 'PUT /api/profile', {
    keep: (said, version) => {
      const { phone, email, colour, language } = view;
      return call('PUT /api/profile', {
        body: { version, phone, email, colour, language, wording: wordingOf(said) },
      });
    },
    says: SAVED,
  });
  const [find, setFind] = useState('');
  const [language, setLanguage] = useState<Language>(view.language);
  const base = wordingIn(language);
  const shipped = useMemo(() => shippedWords(wordingIn(language)), [language]);
  const own: BusinessWording = wordingOf(saving.form)[language] ?? {};
  const wanted = find.trim().toLowerCase();
  const whoMayChange = useWhoMay('house ways');
  const keys = (Object.keys(shipped) as WordingKey[]).filter((key) =>
    `${key} ${shipped[key]} ${own[key] ?? ''}`.toLowerCase().includes(wanted),
  );
  const say = (key: WordingKey, words: string | null) =>
    saving.change({ [saidField(language, key)]: words === null || words === shipped[key] ? undefined : words });
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-4 max-w-5xl">
      <header className="flex flex-wrap items-end justify-between gap-4">
        <div>
          <h1>Our words</h1>
          <p className="text-soft">
            What owners read, and how {view.name} signs. {whoMayChange}
          </p>
        </div>
        <ButtonLink to="/house" look="quiet">
          House ways
        </ButtonLink>
      </header>
      <Signature view={view} />
      <NotSaved
        at={saving}
        what="these words"
        names={SHIPPED_NAMES}
        show={(field, said) => said[field] ?? 'as shipped'}
      />
      <div className="grid grid-cols-[1fr_auto] max-md:grid-cols-1 gap-3 items-end">
        <TextField label="Find a sentence" value={find} onChange={(event) => setFind(event.target.value)} />
        <div role="group" aria-label="Sentences in" className="flex gap-2">
          {LANGUAGES.map((each) => (
            <Choice key={each} chosen={language === each} onClick={() => setLanguage(each)}>
              {LANGUAGE_NAMES[each]}
            </Choice>
          ))}
        </div>
      </div>
      {(Object.keys(GROUPS) as (keyof typeof GROUPS)[]).map((group) => {
        const here = keys.filter((key) => groupOf(key) === group);
        if (here.length === 0) return null;
        return (
          <Card key={group} title={GROUPS[group]} aside={`${here.length}`}>
            <ul className="divide-y divide-line">
              {here.map((key) => (
                <Sentence
                  key={`${language} ${key}`}
                  shipped={shipped[key] ?? ''}
                  own={own[key]}
                  mayEdit={view.mayEdit}
                  problem={(words) => wordingProblem(key, words, base)}
                  onSay={(words) => say(key, words)}
                />
              ))}
            </ul>
          </Card>
        );
      })}
      {keys.length === 0 && <p className="text-soft">No sentence says that.</p>}
    </div>
  );
}

const SIGNED_NAMES = { phone: 'Telephone', email: 'E-mail', colour: 'Colour', language: 'We write in' } as const;
const signed = businessProfileEdit.pick({ phone: true, email: true, colour: true, language: true });
type Signed = z.input<typeof signed>;

function Signature({ view }: { readonly view: BusinessProfileView }) {
  const { version, phone, email, colour, language } = view;
  const draft = useDraft({ version, form: { phone, email, colour, language } }, { as: (form) => form, fits: signed });
  const { field } = draft;
  const save = useWrite('PUT /api/profile', {
    form: draft,
    write: (_, body: Signed) =>
      call('PUT /api/profile', { body: { ...body, wording: view.wording, version: draft.version } }),
    onSuccess: ({ version: saved }) => {
      draft.saved(saved);
      tell(SAVED);
    },
    tells: true,
  });
  return (
    <Card title="At the head of every sheet and letter">
      <Conflict draft={draft} what="how the business signs" names={SIGNED_NAMES} show={(field, form) => form[field]} />
      <form
        className="grid grid-cols-[1fr_1fr_auto_auto_auto] max-md:grid-cols-1 gap-3 items-end"
        noValidate
        onSubmit={draft.submit((body) => save.mutate(body))}
      >
        <TextField label="Telephone" {...field('phone')} maxLength={40} disabled={!view.mayEdit} />
        <TextField
          label="E-mail; answers of owners go there"
          type="email"
          {...field('email')}
          disabled={!view.mayEdit}
        />
        <label className="flex flex-col gap-1">
          <span className="text-sm font-semibold">Colour</span>
          <input
            type="color"
            value={draft.form.colour}
            disabled={!view.mayEdit}
            onChange={(event) => draft.set({ colour: event.target.value })}
            className="h-11 w-20 rounded-xl border border-line bg-surface p-1"
          />
        </label>
        <SelectField label="We write in" {...field('language')} disabled={!view.mayEdit}>
          {LANGUAGES.map((each) => (
            <option key={each} value={each}>
              {LANGUAGE_NAMES[each]}
            </option>
          ))}
        </SelectField>
        <Button type="submit" look="main" disabled={!view.mayEdit || save.isPending}>
          Keep
        </Button>
      </form>
    </Card>
  );
}

function Sentence({
  shipped,
  own,
  mayEdit,
  problem,
  onSay,
}: {
  readonly shipped: string;
  readonly own: string | undefined;
  readonly mayEdit: boolean;
  readonly problem: (words: string) => string | null;
  readonly onSay: (words: string | null) => void;
}) {
  const [open, setOpen] = useState(false);
  const [why, setWhy] = useState<string | null>(null);
  if (open)
    return (
      <li className="py-1">
        <LineField
          label={`Our words for: ${shipped}`}
          words={own ?? shipped}
          onSay={(words) => {
            const said = words.trim();
            const no = problem(said);
            setWhy(no);
            if (no !== null) return;
            setOpen(false);
            onSay(said);
          }}
          onStop={() => {
            setOpen(false);
            setWhy(null);
          }}
        />
        {why !== null && (
          <p role="alert" className="text-stop font-semibold">
            {why}
          </p>
        )}
      </li>
    );
  return (
    <li className="flex items-center gap-2 py-0.5">
      <button
        type="button"
        disabled={!mayEdit}
        onClick={() => setOpen(true)}
        className="flex-1 min-w-0 text-left min-h-11 rounded-lg px-2 hover:bg-pond-pale disabled:hover:bg-transparent"
      >
        {own ?? shipped}
        {own !== undefined && <span className="block text-sm text-soft">as shipped: {shipped}</span>}
      </button>
      {own !== undefined && mayEdit && (
        <Button look="quiet" onClick={() => onSay(null)} aria-label={`As shipped: ${shipped}`}>
          <Undo2 size={17} aria-hidden /> as shipped
        </Button>
      )}
    </li>
  );
}
