import { homeMinutes, type HomeCareView } from '@dewpond/contract';
import { useState } from 'react';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { Button } from '../../../ui/Button';
import { TextField } from '../../../ui/Field';
import { tell } from '../../../ui/tell';
import { HomeMinutes } from '../../../parts/homeCare/HomeMinutes';
import { May } from '../../../parts/May';

interface MinutesAgreedProps {
  readonly dogId: string;
  readonly owner: string;
  readonly home: HomeCareView;
}

/** How many minutes a week the owner has, and what is asked of them then. */
export function MinutesAgreed({ dogId, owner, home }: MinutesAgreedProps) {
  const { wanted, agreed } = home.minutes;
  const [typed, setTyped] = useState(agreed === null ? '' : String(agreed));
  const [wrong, setWrong] = useState('');
  const write = useWrite('PUT /api/dogs/:id/home', {
    write: (_, minutes: number | null) =>
      call('PUT /api/dogs/:id/home', { id: dogId, body: { version: home.version, minutes } }),
    onSuccess: (_, minutes) => tell(minutes === null ? 'All is asked again.' : `Kept: ${minutes} minutes a week.`),
  });
  const keep = () => {
    const isEmpty = typed.trim() === '';
    const read = homeMinutes.safeParse(Number(typed.trim()));
    const isWrong = !isEmpty && !read.success;
    setWrong(isWrong ? 'Whole minutes a week, 1 to 600; empty asks for all.' : '');
    if (!isWrong) write.mutate(isEmpty ? null : (read.data ?? null));
  };
  return (
    <section
      aria-label="Minutes a week"
      className="no-print max-w-[880px] mx-auto mb-4 rounded-card border border-line bg-surface px-5 py-4"
    >
      <h2 className="text-lg mb-1">
        The plan asks {owner} for {wanted} minutes a week
      </h2>
      <May deed="change dogs">
        <form
          className="flex flex-wrap items-end gap-3 my-2"
          onSubmit={(event) => {
            event.preventDefault();
            keep();
          }}
        >
          <div className="w-72">
            <TextField
              label="Minutes a week the owner has"
              inputMode="numeric"
              value={typed}
              maxLength={4}
              error={wrong}
              onChange={(event) => setTyped(event.target.value)}
            />
          </div>
          <Button type="submit" look="plain" disabled={write.isPending}>
            Ask for what fits
          </Button>
        </form>
      </May>
      {write.error && (
        <p role="alert" className="text-stop font-semibold">
          {write.error.message}
        </p>
      )}
      <p className="text-sm font-semibold">As the owner reads it</p>
      <HomeMinutes home={home} />
    </section>
  );
}
