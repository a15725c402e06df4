import { METHOD_CARDS } from '@dewpond/core/methods';
import { Link } from 'react-router';
import { MethodDrawing } from '../../../drawings/method/MethodDrawing';

/** All method cards, in the order of a visit. */
export function MethodsScreen() {
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-4">
      <header>
        <h1>How it is done</h1>
        <p className="text-soft">
          One card for each piece of work, in the order of a visit. Common practice, unless a line says otherwise.
        </p>
      </header>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(240px,1fr))] gap-3.5">
        {METHOD_CARDS.map((card) => (
          <li key={card.id}>
            <Link
              to={`/methods/${card.id}`}
              className="block h-full rounded-card border border-line bg-surface p-3 hover:border-pond"
            >
              <div
                aria-hidden
                className="rounded-xl bg-paper p-2 mb-2 h-48 grid place-items-center overflow-hidden [&>svg]:max-h-44"
              >
                {card.drawings[0] && <MethodDrawing drawing={card.drawings[0]} />}
              </div>
              <span className="font-semibold">{card.title}</span>
            </Link>
          </li>
        ))}
      </ul>
    </div>
  );
}
