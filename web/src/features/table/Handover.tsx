import {
  ASKED_BESIDES,
  HANDOVER,
  HANDOVER_QUESTIONS,
  toAsk,
  unanswered,
  type HandoverQuestion,
} from '@dewpond/core/events';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { classes } from '../../ui/classes';
import { OwnerSays, ReadFirst } from './door/AtTheDoor';
import { InUseList } from './door/InUseList';
import { VetLooks } from './door/VetLooks';
import type { TableWork } from './useTable';
import { record } from './visitLog';
import { showDay } from '../../browser/times';

/** What the owner is asked each time, last time's answer beside it; an answer changes the plan at once. */
export function Handover({ table }: { readonly table: TableWork }) {
  const [again, setAgain] = useState(false);
  const asked = again ? HANDOVER_QUESTIONS : toAsk(table.visit.lastAnswers);
  const open = unanswered(asked, table.state.answers);
  return (
    <>
      <ReadFirst table={table} />
      <InUseList table={table} />
      <VetLooks table={table} />
      <section aria-label="Asked at handover" className="grid grid-cols-2 max-md:grid-cols-1 gap-1.5">
        {asked.map((question) => (
          <Question key={question} table={table} question={question} />
        ))}
        {asked.length < HANDOVER_QUESTIONS.length && (
          <button
            type="button"
            className="text-pond underline min-h-14 px-1 text-left justify-self-start"
            onClick={() => setAgain(true)}
          >
            {table.facts.fitness.cats ? 'It lives with a cat' : 'It lives with no cat'}: otherwise by now?
          </button>
        )}
        {open.length > 1 && (
          <Button
            look="quiet"
            className="min-h-15! text-lg mt-1 col-span-full"
            onClick={() => record(...open.map((question) => ({ type: 'answered' as const, question, answer: false })))}
          >
            No to the other {open.length}
          </Button>
        )}
      </section>
      <OwnerSays table={table} />
    </>
  );
}

function Question({ table, question }: { readonly table: TableWork; readonly question: HandoverQuestion }) {
  const answer = table.state.answers[question];
  const last = table.visit.lastAnswers[question];
  return (
    <div
      role="group"
      aria-label={HANDOVER[question].asks}
      className={classes(
        'flex items-stretch rounded-xl border bg-surface overflow-hidden',
        answer === true ? 'border-watch' : 'border-line',
        // The ears after it then stand in pairs.
        question === 'in season' && 'col-span-full',
      )}
    >
      <span className="flex-1 min-w-0 px-3 py-2 self-center">
        <span className={classes('block font-semibold leading-tight', answer === true && 'text-watch')}>
          {HANDOVER[question].asks}
        </span>
        {last && (
          <span className="block text-sm text-soft leading-tight">
            last asked {showDay(last.day)}: {last.answer ? 'yes' : 'no'}
          </span>
        )}
        {answer === true && ASKED_BESIDES[question] !== undefined && (
          <span className="block text-sm leading-tight mt-0.5">{ASKED_BESIDES[question]}</span>
        )}
      </span>
      {([true, false] as const).map((each) => (
        <button
          key={String(each)}
          type="button"
          aria-pressed={answer === each}
          onClick={() => record({ type: 'answered', question, answer: each })}
          className={classes(
            'w-16 shrink-0 min-h-15 border-l border-line font-semibold',
            answer === each ? (each ? 'bg-watch-pale text-watch' : 'bg-reed-pale text-reed') : 'hover:bg-pond-pale',
          )}
        >
          {each ? 'Yes' : 'No'}
        </button>
      ))}
    </div>
  );
}
