import type { HoursView } from '@dewpond/contract';
import { readTime } from '@dewpond/core/units';
import { useState } from 'react';
import { call } from '../../../api/call';
import { fieldTime } from '../../../browser/times';
import { useWrite } from '../../../data/useWrite';
import { TimeField } from '../../../forms/TimeField';
import { Button } from '../../../ui/Button';
import { Card } from '../../../ui/Card';
import { tell } from '../../../ui/tell';

/** Six in the evening: who comes tomorrow is at home, and can still be rung [house value]. */
const USUAL = 18 * 60;

/** Reminders that go out by themselves the evening before. */
export function ReminderCard({ view }: { readonly view: HoursView }) {
  const [time, setTime] = useState(() => fieldTime(view.remindsAt ?? USUAL));
  const minute = readTime(time);
  const isOn = view.remindsAt !== null;
  const save = useWrite('PUT /api/reminders', {
    write: (_, at: number | null) => call('PUT /api/reminders', { body: { version: view.version, at } }),
    onSuccess: (_, at) =>
      tell(at === null ? 'Nobody is reminded by itself any more.' : `Owners are reminded at ${fieldTime(at)}.`),
    tells: true,
  });
  return (
    <Card
      title="Reminders"
      aside={view.remindsAt === null ? 'off' : `the evening before, ${fieldTime(view.remindsAt)}`}
    >
      <p className="text-soft mb-3">
        One message to each owner who agreed to messages, about all of their dogs that come the next day. Whoever was
        reminded by hand is not written to again.
      </p>
      {view.mayEdit && (
        <div className="flex flex-wrap items-end gap-3">
          <TimeField
            label="The evening before, at"
            value={time}
            onChange={({ target }) => setTime(target.value)}
            className="max-w-32"
          />
          <Button look="main" disabled={minute === null || save.isPending} onClick={() => save.mutate(minute)}>
            {isOn ? 'Change' : 'Remind owners'}
          </Button>
          {isOn && (
            <Button look="quiet" disabled={save.isPending} onClick={() => save.mutate(null)}>
              Turn off
            </Button>
          )}
        </div>
      )}
    </Card>
  );
}
