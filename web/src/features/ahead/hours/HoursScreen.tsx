import type { HoursView } from '@dewpond/contract';
import { readWork, showWork, type WeekHours } from '@dewpond/core/bookings';
import { useState } from 'react';
import { Link } from 'react-router';
import { useWhoMay } from '../../../data/useMay';
import { call } from '../../../api/call';
import { countsToTwelve } from '../../../browser/locale';
import { weekdayName } from '../../../browser/times';
import { useHours } from '../../../data/queries';
import { useWrite } from '../../../data/useWrite';
import { Button } from '../../../ui/Button';
import { CalendarAddress } from '../../../parts/calendars/CalendarAddress';
import { Card } from '../../../ui/Card';
import { TextField } from '../../../ui/Field';
import { Waiting } from '../../../ui/Waiting';
import { tell } from '../../../ui/tell';
import { AwayCard } from './AwayCard';
import { PlanningCard } from './PlanningCard';
import { ReminderCard } from './ReminderCard';
import { SkillsField } from './SkillsField';

/** When people work, who is away, when the business is closed: what weeks are planned with. */
export function HoursScreen() {
  const hours = useHours();
  const whoMayChange = useWhoMay('say hours');
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-3.5 max-w-6xl">
      <header className="flex flex-wrap items-center justify-between gap-3">
        <h1>Hours and days away</h1>
        <Link to="/ahead" className="text-pond underline font-semibold py-2">
          Back to the weeks
        </Link>
      </header>
      <Waiting query={hours} what="Hours">
        {(view) => (
          <>
            <p className="text-soft">
              Work without a break stands as “9-12:30”; what lies between two pieces is a break. Empty: a day off. Out
              with the van: “9-16 islets”.
              {whoMayChange && ` ${whoMayChange}`}
            </p>
            {view.people.map((person) => (
              <PersonWeek key={person.id} person={person} mayEdit={view.mayEdit} />
            ))}
            <AwayCard view={view} />
            <ReminderCard view={view} />
            <PlanningCard view={view} />
            {view.mayEdit && (
              <Card title="All bookings as a calendar">
                <CalendarAddress whose="business" shows="every booking with its owner" />
              </Card>
            )}
          </>
        )}
      </Waiting>
    </div>
  );
}

interface PersonWeekProps {
  readonly person: HoursView['people'][number];
  readonly mayEdit: boolean;
}

function PersonWeek({ person, mayEdit }: PersonWeekProps) {
  const shown = person.week.map((spans) => showWork(spans, countsToTwelve()));
  const [typed, setTyped] = useState<readonly string[]>(shown);
  const read = typed.map(readWork);
  const week = read.every((spans) => spans !== null) ? (read as WeekHours) : null;
  const isChanged = typed.some((text, i) => text !== shown[i]);
  const save = useWrite('PUT /api/members/:id/week', {
    write: (_, next: WeekHours) => call('PUT /api/members/:id/week', { id: person.id, body: { week: next } }),
    onSuccess: () => tell(`${person.name}’s week is kept.`),
    tells: true,
  });
  const hours = (week ?? []).flat().reduce((sum, { from, to }) => sum + to - from, 0) / 60;
  return (
    <Card
      title={person.name}
      aside={`${Math.round(hours * 10) / 10} hours a week${person.isUsual ? ', the usual week' : ''}`}
    >
      <form
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          if (week) save.mutate(week);
        }}
        className="grid grid-cols-3 max-lg:grid-cols-2 max-sm:grid-cols-1 gap-3 items-start"
      >
        {typed.map((text, i) => (
          <TextField
            key={weekdayName(i, 'long')}
            label={weekdayName(i, 'long')}
            value={text}
            placeholder="off"
            disabled={!mayEdit}
            error={read[i] === null ? 'Try “9-12:30, 13:15-17”.' : undefined}
            onChange={({ target }) => setTyped(typed.map((each, at) => (at === i ? target.value : each)))}
          />
        ))}
        <SkillsField person={person} mayEdit={mayEdit} />
        {mayEdit && isChanged && (
          <div className="flex gap-2 self-end">
            <Button type="submit" look="main" disabled={week === null || save.isPending}>
              Keep
            </Button>
            <Button look="quiet" onClick={() => setTyped(shown)}>
              As it was
            </Button>
          </div>
        )}
      </form>
    </Card>
  );
}
