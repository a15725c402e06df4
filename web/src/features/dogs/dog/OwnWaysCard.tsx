import type { DogView } from '@dewpond/contract';
import { OWN_QUESTIONS } from '@dewpond/core/dog';
import { HOUSE_QUESTIONS, schoolWords, type HouseQuestion } from '@dewpond/core/ways';
import { DOGS_RECORD } from '@dewpond/core/provenance';
import { X } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../../ui/Button';
import { Card } from '../../../ui/Card';
import { SelectField } from '../../../ui/SelectField';
import { SourceMark } from '../../../ui/SourceMark';
import { OwnChoice, useOwnChoice } from './OwnChoice';

type OwnWaysOf = DogView['profile']['ownWays'];

const schoolsOf = (
  question: HouseQuestion,
): readonly { readonly id: string; readonly words: string; readonly for: string }[] =>
  HOUSE_QUESTIONS[question].schools;
const wordsOf = (question: HouseQuestion, school: string): string =>
  schoolsOf(question).find(({ id }) => id === school)?.words ?? school;

/** What is done with this dog otherwise than with all, each with why and what the house does. */
export function OwnWaysCard({ dog }: { readonly dog: DogView }) {
  const [choosing, setChoosing] = useState(false);
  const keep = useOwnChoice(dog, () => setChoosing(false));
  const own = OWN_QUESTIONS.flatMap((question) => {
    const its = dog.facts.ownWays[question];
    return its ? [{ question, ...its }] : [];
  });
  return (
    <Card title="Its own ways" aside={<Button onClick={() => setChoosing(true)}>Another way…</Button>}>
      {own.length === 0 && <p className="text-soft">As the house does with all.</p>}
      <ul>
        {own.map(({ question, because, insteadOf }) => (
          <li key={question} className="flex items-start gap-2 border-t border-line first:border-0 py-1.5">
            <span className="flex-1 min-w-0">
              <span className="block text-sm text-soft leading-snug">{HOUSE_QUESTIONS[question].asks}</span>
              <b className="font-semibold">{schoolWords(dog.facts.ways, question)}</b>{' '}
              <SourceMark source={DOGS_RECORD} because={because} />
              <span className="block text-sm text-soft leading-snug">
                {because} · the house: {wordsOf(question, insteadOf)}
              </span>
            </span>
            <Button
              look="quiet"
              aria-label={`As the house again: ${HOUSE_QUESTIONS[question].asks}`}
              disabled={keep.isPending}
              onClick={() => {
                const { [question]: _, ...others } = dog.profile.ownWays;
                keep.mutate({ ownWays: others });
              }}
            >
              <X size={18} aria-hidden />
            </Button>
          </li>
        ))}
      </ul>
      {dog.proposedWays.length > 0 && (
        <section aria-label="Its record speaks for another way" className="mt-2">
          <h3 className="text-sm text-soft mb-1">Its record speaks for another way</h3>
          <ul className="flex flex-col gap-1.5">
            {dog.proposedWays.map(({ question, school, because }) => (
              <li key={question} className="rounded-xl border border-watch bg-watch-pale px-3 py-2">
                <span className="block text-sm leading-snug">{HOUSE_QUESTIONS[question].asks}</span>
                <b className="font-semibold">{wordsOf(question, school)}</b>{' '}
                <SourceMark source={DOGS_RECORD} because={because} />
                <span className="block text-sm leading-snug">
                  {because} · now: {schoolWords(dog.facts.ways, question)}
                </span>
                <Button
                  className="mt-1.5"
                  disabled={keep.isPending}
                  aria-label={`Do so with ${dog.profile.name}: ${wordsOf(question, school)}`}
                  onClick={() => keep.mutate({ ownWays: { ...dog.profile.ownWays, [question]: { school, because } } })}
                >
                  Do so with {dog.profile.name}
                </Button>
              </li>
            ))}
          </ul>
        </section>
      )}
      {choosing && (
        <OwnWayDialog
          dog={dog}
          pending={keep.isPending}
          onKeep={(ownWays) => keep.mutate({ ownWays })}
          onClose={() => setChoosing(false)}
        />
      )}
    </Card>
  );
}

interface OwnWayDialogProps {
  readonly dog: DogView;
  readonly pending: boolean;
  readonly onKeep: (ways: OwnWaysOf) => void;
  readonly onClose: () => void;
}

function OwnWayDialog({ dog, pending, onKeep, onClose }: OwnWayDialogProps) {
  const [question, setQuestion] = useState<HouseQuestion>(OWN_QUESTIONS[0] ?? 'earCleaning');
  const [school, setSchool] = useState('');
  const others = schoolsOf(question).filter(({ id }) => id !== dog.facts.ways[question]);
  const chosen = others.find(({ id }) => id === school) ?? others[0];
  return (
    <OwnChoice
      title={`Another way for ${dog.profile.name}`}
      says="It goes before the house way. A vet’s or owner’s word goes before it."
      example="the corner is wet at every visit, though cleaned"
      because=""
      isUsual={false}
      pending={pending}
      onKeep={(because) => chosen && onKeep({ ...dog.profile.ownWays, [question]: { school: chosen.id, because } })}
      onClose={onClose}
    >
      <SelectField
        label="What"
        value={question}
        onChange={(event) => setQuestion(event.target.value as HouseQuestion)}
        hint={`now: ${schoolWords(dog.facts.ways, question)}`}
      >
        {OWN_QUESTIONS.map((each) => (
          <option key={each} value={each}>
            {HOUSE_QUESTIONS[each].asks}
          </option>
        ))}
      </SelectField>
      <SelectField
        label="For this dog"
        value={chosen?.id ?? ''}
        onChange={(event) => setSchool(event.target.value)}
        hint={chosen?.for}
      >
        {others.map(({ id, words }) => (
          <option key={id} value={id}>
            {words}
          </option>
        ))}
      </SelectField>
    </OwnChoice>
  );
}
