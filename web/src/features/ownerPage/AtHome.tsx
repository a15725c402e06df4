import type { HomeCareView, OwnerPage } from '@dewpond/contract';
import { dueFirst, nextHomeDay, openSince } from '@dewpond/core/homecare';
import { addDays, timesADay, type Day } from '@dewpond/core/units';
import { fillIn, type HomeTaskTold } from '@dewpond/core/wording';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { CalendarPlus, Camera, Check, Printer } from 'lucide-react';
import { Suspense, lazy, useRef, useState } from 'react';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/Field';
import { classes } from '../../ui/classes';
import { tell } from '../../ui/tell';
import { smallEnough } from '../../parts/pictures/smallEnough';
import { WeekGrid } from '../../parts/homeCare/WeekGrid';
import { HomeMinutes } from '../../parts/homeCare/HomeMinutes';
import { Noticed } from './Noticed';
import { RemindMe } from './RemindMe';
import { printTheWeek } from './printTheWeek';
import { sendPicture, tickHome, type CareTick } from './ownerCall';
import { onItsWay, type OnItsWay } from './sentOnce';
import { usePictures } from './usePictures';
import { showDay } from '../../browser/times';

// Drawings come when somebody asks for them.
const HowDialog = lazy(async () => ({ default: (await import('./HowDialog')).HowDialog }));

interface AtHomeProps {
  readonly page: OwnerPage;
  /** The page stands: what is folded away may be made now. */
  readonly isRead: boolean;
}

/** Home care as an owner lives it: what is due, one tap when it is done, how it is done, the week on paper. */
export function AtHome({ page: { dog, home, calendar, reminder }, isRead }: AtHomeProps) {
  const { words } = home;
  const [shown, setShown] = useState<HomeTaskTold | null>(null);
  // As it stood when the page was opened: a row that is ticked does not run away from under the finger.
  const [order] = useState(() => dueFirst(home.tasks, home).map(({ key }) => key));
  const inOrder = home.tasks.toSorted((a, b) => order.indexOf(a.key) - order.indexOf(b.key));
  if (home.tasks.length === 0 && home.bath === null) return null;
  return (
    <section
      aria-label={words.atHome}
      className="no-print max-w-[880px] mx-auto mb-4 rounded-card border border-line bg-surface px-5 py-4"
    >
      <h2 className="text-xl mb-1">{words.atHome}</h2>
      <div className="mb-3">
        <HomeMinutes home={home} />
      </div>
      {home.bath?.kind === 'not now' && (
        <p className="mb-3 rounded-xl bg-watch-pale px-4 py-2.5 font-semibold">{home.bath.words}</p>
      )}
      <ul className="flex flex-col gap-2">
        {inOrder.map((task) => (
          <TaskRow key={task.key} task={task} home={home} onHow={() => setShown(task)} />
        ))}
      </ul>
      <details className="mt-3">
        <summary className="min-h-11 flex items-center font-semibold text-pond cursor-pointer">
          {words.weekAhead}
        </summary>
        <div className="overflow-x-auto">{isRead && <WeekGrid home={home} from={home.today} />}</div>
      </details>
      <Noticed words={words} isRead={isRead} />
      <SentPictures home={home} />
      <div className="flex flex-wrap gap-2 mt-2">
        <Button look="quiet" onClick={() => void printOnceThere(words.notFetched)}>
          <Printer size={18} aria-hidden /> {words.printWeek}
        </Button>
        <a
          href={calendar}
          className="inline-flex items-center gap-2 rounded-xl border border-line font-semibold px-4 min-h-11 hover:bg-pond-pale"
        >
          <CalendarPlus size={18} aria-hidden /> {words.intoCalendar}
        </a>
        <a
          href={calendar.replace(/^https?:/, 'webcal:')}
          className="inline-flex items-center rounded-xl border border-line font-semibold px-4 min-h-11 hover:bg-pond-pale"
        >
          {words.keepCalendar}
        </a>
      </div>
      {reminder && <RemindMe reminder={reminder} words={words} language={home.language} isRead={isRead} />}
      <p className="mt-3 rounded-xl bg-stop-pale text-stop font-semibold px-4 py-2.5">{words.stopAtHome}</p>
      <p className="text-sm text-soft mt-2">{words.sourceOfAll}</p>
      {shown && (
        <Suspense>
          <HowDialog dog={dog} task={shown} bath={home.bath} words={words} onClose={() => setShown(null)} />
        </Suspense>
      )}
    </section>
  );
}

/** What is printed comes after what is read: over a slow network it may still be on its way. */
async function printOnceThere(notFetched: string): Promise<void> {
  const there = await import('./WeekToPrint').catch(() => null);
  if (there) requestAnimationFrame(() => printTheWeek());
  else tell(notFetched, { tone: 'stop' });
}

function TaskRow({
  task,
  home,
  onHow,
}: {
  readonly task: HomeTaskTold;
  readonly home: HomeCareView;
  readonly onHow: () => void;
}) {
  const client = useQueryClient();
  const [noting, setNoting] = useState(false);
  const [note, setNote] = useState('');
  const { today, since, ticks, words, language } = home;
  const shown = (day: Day) => ({ day: showDay(day, language) });
  const mine = ticks.filter(({ key }) => key === task.key);
  // Done today, on whatever day it was due; else the newest day that is due and was not done.
  const doneToday = mine.find(({ day }) => day === today);
  const open = openSince(task, home);
  const tick = useMutation({
    mutationFn: (given: Omit<CareTick, 'key'>) => tickHome({ key: task.key, ...given }),
    onError: () => tell(words.notKept, { tone: 'stop' }),
    onSettled: () => client.invalidateQueries({ queryKey: ['owner page'] }),
  });
  const asked = timesADay(task.everyDays);
  const times = doneToday?.times ?? 0;
  const done = times >= asked;
  const keep = (count: number, note: string) =>
    tick.mutate({ day: today, done: count > 0, times: Math.max(1, count), note });
  const next = nextHomeDay(task, since, done ? addDays(today, 1) : today);
  return (
    <li
      className={classes(
        'rounded-xl border px-4 py-3',
        done ? 'border-reed bg-reed-pale' : open ? 'border-pond' : 'border-line',
      )}
    >
      <div className="flex items-center gap-3">
        <div className="flex-1 min-w-0">
          <p className="font-bold text-lg leading-tight">{task.name}</p>
          <p className="text-sm text-soft">
            {done
              ? fillIn(words.doneToday, shown(next))
              : times > 0
                ? fillIn(words.doneSoFar, { done: String(times), asked: String(asked) })
                : open === today
                  ? words.dueToday
                  : open
                    ? fillIn(words.dueSince, shown(open))
                    : fillIn(words.nextDay, shown(next))}
            , {task.often}, {fillIn(words.about, { minutes: task.takes })}
          </p>
        </div>
        <button
          type="button"
          aria-pressed={done}
          aria-label={fillIn(words.tickIt, { task: task.name })}
          // Not `disabled` while it is sent: the keyboard would lose its place.
          aria-disabled={tick.isPending}
          // One wipe is one tick. The last one takes all back, as one tick takes back one.
          onClick={() => !tick.isPending && keep(done ? 0 : times + 1, times === 0 ? '' : (doneToday?.note ?? ''))}
          className={classes(
            'grid place-items-center size-14 rounded-xl border-2 shrink-0',
            done ? 'bg-reed text-on-pond border-reed' : 'border-pond text-pond',
          )}
        >
          <span className="flex flex-col items-center leading-none">
            <Check size={asked > 1 ? 20 : 26} aria-hidden />
            {asked > 1 && <span className="text-sm font-bold tabular-nums mt-0.5">{`${times}/${asked}`}</span>}
          </span>
        </button>
      </div>
      <p className="mt-1.5">
        {task.words}{' '}
        <button type="button" onClick={onHow} className="text-pond underline min-h-8">
          {words.showHow}
        </button>
        {doneToday && !noting && (
          <button type="button" onClick={() => setNoting(true)} className="text-pond underline min-h-8 ml-3">
            {doneToday.note === '' ? words.addWord : `“${doneToday.note}”`}
          </button>
        )}
        {doneToday && !done && (
          <button
            type="button"
            onClick={() => !tick.isPending && keep(times - 1, doneToday.note)}
            className="text-pond underline min-h-8 ml-3"
          >
            {words.oneLess}
          </button>
        )}
      </p>
      {task.changed && <p className="text-sm text-reed font-semibold mt-1">{task.changed}</p>}
      {task.less && <p className="text-sm text-soft mt-1">{task.less}</p>}
      {doneToday && noting && (
        <form
          className="flex items-end gap-2 mt-1"
          onSubmit={(event) => {
            event.preventDefault();
            setNoting(false);
            keep(times, note.trim());
          }}
        >
          <div className="flex-1">
            <TextField
              label={words.wordForSalon}
              value={note}
              maxLength={300}
              autoFocus
              onChange={(event) => setNote(event.target.value)}
            />
          </div>
          <Button type="submit">{words.keep}</Button>
        </form>
      )}
    </li>
  );
}

/** Pictures for the salon: something the owner wants to show, of today. */
function SentPictures({ home }: { readonly home: HomeCareView }) {
  const { words, language } = home;
  const client = useQueryClient();
  const shown = usePictures(home.photos, '/api/owner/home/photos');
  const going = useRef<OnItsWay | null>(null);
  const send = useMutation({
    mutationFn: async (file: File) => {
      going.current = onItsWay(going.current, file);
      return sendPicture(going.current.id, await smallEnough(file));
    },
    onSuccess: () => {
      going.current = null;
      tell(words.sent);
    },
    onError: () => tell(words.notKept, { tone: 'stop' }),
    onSettled: () => client.invalidateQueries({ queryKey: ['owner page'] }),
  });
  return (
    <div className="mt-3">
      <label className="inline-flex items-center gap-2 rounded-xl border border-line font-semibold px-4 min-h-11 hover:bg-pond-pale cursor-pointer focus-within:outline-2 focus-within:outline-pond">
        <Camera size={18} aria-hidden /> {send.isPending ? words.sending : words.sendPicture}
        <input
          type="file"
          accept="image/jpeg,image/png,image/webp"
          className="sr-only"
          disabled={send.isPending}
          onChange={(event) => {
            const [file] = event.target.files ?? [];
            if (file) send.mutate(file);
            event.target.value = '';
          }}
        />
      </label>
      {shown.length > 0 && (
        <ul className="flex flex-wrap gap-2 mt-2">
          {shown.map(({ id, src, day }) => (
            <li key={id} className="text-sm text-soft">
              <img
                src={src}
                alt={fillIn(words.sentOn, { day: showDay(day, language) })}
                className="w-28 h-20 object-cover rounded-xl border border-line"
              />
              {showDay(day, language)}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
