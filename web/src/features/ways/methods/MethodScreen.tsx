import { TASKS } from '@dewpond/core/tasks';
import { cardFor, findMethod } from '@dewpond/core/methods';
import { DEFAULT_HOUSE_WAYS } from '@dewpond/core/ways';
import { Printer } from 'lucide-react';
import { useParams } from 'react-router';
import { useBusiness } from '../../../data/queries';
import { Button } from '../../../ui/Button';
import { ButtonLink } from '../../../ui/ButtonLink';
import { Empty } from '../../../ui/Waiting';
import { MethodBody } from '../../../parts/methods/MethodBody';

/** One piece of work as this business does it, to read at the table or to print. */
export function MethodScreen() {
  const { id = '' } = useParams();
  const ways = useBusiness().data?.ways ?? DEFAULT_HOUSE_WAYS;
  const source = findMethod(id);
  const card = source && cardFor(source, ways);
  if (!card)
    return (
      <div className="p-7">
        <Empty words="There is no such card.">
          <ButtonLink to="/methods">All cards</ButtonLink>
        </Empty>
      </div>
    );
  return (
    <article className="px-7 py-5 max-md:px-3 flex flex-col gap-4 max-w-5xl">
      <header className="flex flex-wrap items-start justify-between gap-3">
        <div>
          <h1>{card.title}</h1>
          <p className="text-soft">{card.tasks.map((task) => TASKS[task].name).join(' · ')}</p>
        </div>
        <div className="flex gap-2 no-print">
          <Button look="quiet" onClick={() => window.print()}>
            <Printer size={18} aria-hidden /> Print
          </Button>
          <ButtonLink to="/methods" look="quiet">
            All cards
          </ButtonLink>
        </div>
      </header>
      <MethodBody card={card} />
    </article>
  );
}
