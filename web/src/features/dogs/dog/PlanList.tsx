import type { DogView } from '@dewpond/contract';
import { HOME_HOWS } from '@dewpond/core/rules';
import { lineAmounts, type LineAmount } from '@dewpond/core/needs';
import { type DueLine, type DueWindow } from '@dewpond/core/due';
import { TASKS, taskKey, type Round } from '@dewpond/core/tasks';
import { methodOf } from '@dewpond/core/methods';
import { HOUSE_VALUE } from '@dewpond/core/provenance';
import { RANK_WORDS } from '@dewpond/core/reasons';
import { everyWords, showVolume } from '@dewpond/core/units';
import { barTold, disagreementWords, leftOutWords, reasonTold, reasonsTold } from '@dewpond/core/wording';
import { Accordion } from 'radix-ui';
import { BookOpen, ChevronDown } from 'lucide-react';
import { Link } from 'react-router';
import { Card } from '../../../ui/Card';
import { Chip, type Tone } from '../../../ui/Chip';
import { SourceMark } from '../../../ui/SourceMark';
import { useUnits } from '../../../data/useUnits';
import { bySides, sidesWords } from './sides';
import { showDay } from '../../../browser/times';

const STATES: Readonly<Record<DueLine['state'], { readonly words: string; readonly tone: Tone }>> = {
  late: { words: 'late', tone: 'watch' },
  due: { words: 'due', tone: 'pond' },
  may: { words: 'may be done', tone: 'plain' },
  'not yet': { words: 'not yet', tone: 'plain' },
  barred: { words: 'barred', tone: 'stop' },
  none: { words: 'at the table', tone: 'plain' },
};

/** Where a task comes round, in the order a groomer asks. */
const ROUNDS: readonly (readonly [Round, string])[] = [
  ['own clock', 'At the salon'],
  ['with the bath', 'With every bath'],
  ['at the table', 'Decided at the table'],
  ['at home', 'At home'],
  ['at the vet', 'At the vet’s'],
];

/** Every line of the plan with its date and its reason; open one for how, cautions, and what it won over. */
export function PlanList({ dog, onAsk }: { readonly dog: DogView; readonly onAsk: (key: string) => void }) {
  const lines = dog.due.filter(({ line }) => line.task !== 'ear inspection' || line.place?.side === 'left');
  return (
    <Card title="Care plan" aside="open a line for how, cautions and sources">
      {ROUNDS.map(([round, title]) => {
        const here = bySides(lines.filter(({ line }) => TASKS[line.task].round === round));
        return (
          here.length > 0 && (
            <section key={round} aria-label={title} className="mt-3 first:mt-0">
              <h3 className="text-sm font-semibold text-soft">{title}</h3>
              <Accordion.Root type="multiple" onValueChange={(open) => open.at(-1) && onAsk(open.at(-1) ?? '')}>
                {here.map(({ due: each, both }) => (
                  <PlanItem
                    key={taskKey(each.line)}
                    due={each}
                    both={both}
                    amounts={lineAmounts(
                      each.line,
                      dog.facts,
                      dog.amounts.factor,
                      dog.amounts.products[each.line.task],
                    )}
                  />
                ))}
              </Accordion.Root>
            </section>
          )
        );
      })}
    </Card>
  );
}

/** When, and how it stands, for the right-hand side of a line. */
function dueInWords({ line, window, state }: DueLine): {
  readonly when: string;
  readonly words: string;
  readonly tone: Tone;
} {
  if (window) {
    const since = state === 'late' || state === 'due' ? 'since ' : '';
    return { when: since + showDay(window.ideal), ...STATES[state] };
  }
  if (state === 'barred') return { when: '', ...STATES.barred };
  if (line.home) return { when: everyWords(line.home.everyDays), words: 'at home', tone: 'good' };
  const round = TASKS[line.task].round;
  return { when: '', words: round === 'with the bath' ? 'with the bath' : 'at the table', tone: 'plain' };
}

interface PlanItemProps {
  readonly due: DueLine;
  /** It speaks for both sides. */
  readonly both: boolean;
  readonly amounts: readonly LineAmount[];
}

function PlanItem({ due, both, amounts }: PlanItemProps) {
  const { line } = due;
  const bothEars = line.task === 'ear inspection';
  const { when, words, tone } = dueInWords(due);
  return (
    <Accordion.Item value={taskKey(line)} className="border-t border-line first:border-0">
      <Accordion.Header>
        <Accordion.Trigger className="group w-full text-left grid grid-cols-[minmax(0,1fr)_auto_20px] gap-3 items-center py-2 min-h-12">
          <span className="min-w-0">
            <span className="font-semibold">
              {TASKS[line.task].name}
              {line.place && !bothEars && <span className="font-normal">, {sidesWords(line.place, both)}</span>}
            </span>
            <span className="block text-sm text-soft truncate">{reason(due)}</span>
          </span>
          <span className="flex items-center gap-2 text-sm whitespace-nowrap">
            {when}
            <Chip tone={tone}>{words}</Chip>
          </span>
          <ChevronDown
            size={18}
            aria-hidden
            className="text-soft transition-transform group-data-[state=open]:rotate-180"
          />
        </Accordion.Trigger>
      </Accordion.Header>
      <Accordion.Content className="pb-3 text-[15px]">
        <Details due={due} amounts={amounts} />
      </Accordion.Content>
    </Accordion.Item>
  );
}

function reason({ line, rhythm }: DueLine): string {
  if (line.earHair) return `${line.earHair.way}: ${reasonTold(line.earHair.reason)}`;
  if (line.bars.length > 0) return reasonsTold(line.bars.map(({ reason: its }) => its));
  if (!line.interval)
    return line.home ? reasonTold(line.home.reason) : (line.methods[0]?.words ?? line.cautions[0]?.words ?? '');
  const learned = rhythm && rhythm.evidence.length > 0 ? `, learned ${rhythm.interval}` : '';
  const why = line.settled?.won[0] ? reasonTold(line.settled.won[0].reason) : '';
  return `${why}: ${line.interval.least}–${line.interval.most} days, usual ${line.interval.usual}${learned}`;
}

function Details({
  due: { line, window, noticedOn },
  amounts,
}: {
  readonly due: DueLine;
  readonly amounts: readonly LineAmount[];
}) {
  const part = (title: string, items: readonly React.ReactNode[]) =>
    items.length > 0 && (
      <div className="mb-2">
        <p className="text-sm font-semibold text-soft">{title}</p>
        <ul className="list-disc pl-5 marker:text-line">
          {items.map((item, i) => (
            <li key={i} className="py-0.5">
              {item}
            </li>
          ))}
        </ul>
      </div>
    );
  const said = (list: typeof line.methods) =>
    list.map((each) => (
      <span key={each.words}>
        {each.words} <SourceMark source={each.source} because={reasonTold(each.reason)} />
        {each.rank === 'own' && <span className="text-soft"> (this dog’s own way)</span>}
      </span>
    ));
  return (
    <>
      <Link
        to={`/methods/${methodOf(line.task).id}`}
        className="inline-flex items-center gap-1.5 min-h-11 text-pond font-semibold underline"
      >
        <BookOpen size={18} aria-hidden /> How it is done
      </Link>
      {part(
        'Not done',
        line.bars.map((bar) => (
          <span key={barTold(bar)} className="first-letter:uppercase inline-block">
            {barTold(bar)} <SourceMark source={bar.source} />
          </span>
        )),
      )}
      {part('Left out of it', line.bars.length > 0 ? [] : line.leavesOut.map(leftOutWords))}
      {part('Takes', [...minutesOf(line), ...amounts.map((each) => <Amount key={each.what} amount={each} />)])}
      {window &&
        part('When', [
          <WindowWords key="window" window={window} />,
          ...(noticedOn
            ? [<span key="noticed">Sooner: the owner noticed something on {showDay(noticedOn)}.</span>]
            : []),
          ...(line.sooner ? [<Sooner key="sooner" days={line.sooner} />] : []),
        ])}
      {part('How', said(line.methods.filter(({ general }) => !general)))}
      {part('Cautions', said(line.cautions.filter(({ general }) => !general)))}
      {part('As for every dog', said([...line.methods, ...line.cautions].filter(({ general }) => general)))}
      {line.earHair &&
        part('Decision', [
          `Line ${line.earHair.line} of the rule: ${reasonTold(line.earHair.reason)}`,
          ...(line.earHair.beside ? [`Also: ${reasonTold(line.earHair.beside)}. The owner’s no holds.`] : []),
        ])}
      {line.home &&
        part('At home', [
          <span key="home">
            {`${everyWords(line.home.everyDays)}, ${line.home.minutes} min: ${HOME_HOWS[line.home.how]}`}{' '}
            {line.home.stepped &&
              `Oftener since ${showDay(line.home.stepped.since)}, until it is clear; then ${everyWords(line.home.stepped.usual)}. `}
            {line.home.ticked &&
              `Ticked on ${line.home.ticked.done} of ${line.home.ticked.due} days before ${showDay(line.home.ticked.on)}; usually asked ${everyWords(line.home.ticked.usual)}. `}
            {line.home.clearSince && `As usual again: clear on ${showDay(line.home.clearSince)}. `}
            <SourceMark source={line.home.source} because={reasonTold(line.home.reason)} />
          </span>,
        ])}
      {line.settled?.disagreement &&
        part('They disagree', [
          disagreementWords(line.settled.disagreement, line.settled.won[0], TASKS[line.task].safer),
        ])}
      {line.settled &&
        part(
          'Won',
          line.settled.won.map((claim) => (
            <span key={claim.ruleId}>
              {`${reasonTold(claim.reason)}: ${claim.interval.least}–${claim.interval.most} days, usual ${claim.interval.usual} (${RANK_WORDS[claim.ships ? 'house' : claim.rank]})`}{' '}
              <SourceMark source={claim.source} />
            </span>
          )),
        )}
      {line.settled &&
        part(
          'Lost',
          line.settled.lost.map(
            ({ claim, why }) => `${reasonTold(claim.reason)}, ${claim.interval.usual} days: ${why}`,
          ),
        )}
    </>
  );
}

const Sooner = ({ days }: { readonly days: number }) => (
  <span>
    Its usual interval is {days === 1 ? '1 day' : `${days} days`} shorter: it is not done at home.{' '}
    <SourceMark
      source={HOUSE_VALUE}
      because="What was ticked before the last visit, or what does not fit into the minutes agreed. Looks at the place weigh more with each visit."
    />
  </span>
);

/** Hands-on minutes at the salon. */
function minutesOf({ task, bars }: DueLine['line']): React.ReactNode[] {
  const { minutes } = TASKS[task];
  if (bars.length > 0 || minutes === 0) return [];
  return [
    <span key="minutes">
      About {minutes} min at the salon{' '}
      <SourceMark source={HOUSE_VALUE} because="Hands-on minutes for an ordinary dog." />
    </span>,
  ];
}

function Amount({ amount: { what, amount, source, because } }: { readonly amount: LineAmount }) {
  const units = useUnits();
  return (
    <span>
      {'ml' in amount ? showVolume(amount.ml, units) : `${amount.grams} g`} {what}{' '}
      <SourceMark source={source} because={because} />
    </span>
  );
}

/** Earliest, ideal and latest day in words, with how the window is made. */
export const WindowWords = ({ window }: { readonly window: DueWindow }) => (
  <span>
    {window.earliest === window.latest
      ? `${showDay(window.ideal)}: no care on record yet`
      : `From ${showDay(window.earliest)}, best ${showDay(window.ideal)}, ${showDay(window.latest)} at the latest`}{' '}
    <SourceMark
      source={HOUSE_VALUE}
      because="The window opens at ¾ of the interval and closes at 1¼ of it, inside the plan’s least and most."
    />
  </span>
);
