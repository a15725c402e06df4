import { OWNER_ANSWERS, type OwnerAnswer } from '@dewpond/core/events';
import { type Proposal } from '@dewpond/core/visit';
import { Phone } from 'lucide-react';
import { useState } from 'react';
import { useOnline } from '../../browser/useOnline';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { TextField } from '../../ui/Field';
import { MessageDialog } from '../../parts/messages/MessageDialog';
import type { TableWork } from './useTable';
import { record } from './visitLog';

const ANSWERS: Readonly<Record<OwnerAnswer, string>> = { yes: 'Yes', no: 'No', 'not reached': 'Not reached' };

interface AskProps {
  readonly table: TableWork;
  /** What to ask; null: the groomer's own question. */
  readonly proposal: Proposal | null;
  readonly onClose: () => void;
}

/** Ring the owner: the number, the question to read out, and one tap for the answer. When and by whom is recorded. */
export function AskOwner({ table, proposal, onClose }: AskProps) {
  const { owner } = table.visit;
  const [own, setOwn] = useState('');
  const [words, setWords] = useState('');
  const [writing, setWriting] = useState(false);
  const online = useOnline();
  const [who, setWho] = useState(owner.name);
  const question = proposal?.ask ?? own.trim();
  const answered = (answer: OwnerAnswer) => {
    const about = proposal?.id ?? null;
    record({ type: 'owner asked', about, question, answer, words: words.trim(), who: who.trim() || owner.name });
    onClose();
  };
  return (
    <Dialog open onClose={onClose} title="Ring the owner" says={owner.name} tall>
      <p className="flex flex-wrap gap-2 mb-3">
        {owner.phones.map((number) => (
          <a
            key={number}
            href={`tel:${number.replaceAll(' ', '')}`}
            className="inline-flex items-center gap-2 rounded-xl bg-pond text-on-pond px-5 min-h-16 text-xl font-bold"
          >
            <Phone size={20} aria-hidden /> {number}
          </a>
        ))}
        {owner.phones.length === 0 && <span className="text-watch">No number in the book.</span>}
        {online && (
          <Button look="quiet" className="min-h-16! text-lg" onClick={() => setWriting(true)}>
            Write: please ring us
          </Button>
        )}
      </p>
      {writing && (
        <MessageDialog
          about={{ kind: 'please ring', dogId: table.visit.dog.id, visitId: table.visit.id }}
          onClose={() => setWriting(false)}
        />
      )}
      {proposal?.ask ? (
        <p className="text-xl leading-snug rounded-xl bg-pond-pale px-4 py-3 mb-4">“{proposal.ask}”</p>
      ) : (
        <TextField
          className="min-h-14"
          label="What do you ask?"
          value={own}
          onChange={(event) => setOwn(event.target.value)}
          maxLength={500}
        />
      )}
      <div className="grid grid-cols-2 max-md:grid-cols-1 gap-3 my-3">
        <TextField
          className="min-h-14"
          label="Who answered"
          value={who}
          onChange={(event) => setWho(event.target.value)}
          maxLength={80}
        />
        <TextField
          className="min-h-14"
          label="In their words, if it matters"
          value={words}
          onChange={(event) => setWords(event.target.value)}
          maxLength={500}
        />
      </div>
      <div className="grid grid-cols-3 gap-2">
        {OWNER_ANSWERS.map((each) => (
          <Button
            key={each}
            look={each === 'not reached' ? 'quiet' : 'plain'}
            className="min-h-16! text-xl"
            disabled={question === ''}
            onClick={() => answered(each)}
          >
            {ANSWERS[each]}
          </Button>
        ))}
      </div>
    </Dialog>
  );
}
