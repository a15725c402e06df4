import { NavLink } from 'react-router';
import { classes } from '../../ui/classes';

const TABS = [
  { to: '/dogs', name: 'Dogs' },
  { to: '/owners', name: 'Owners' },
  { to: '/vets', name: 'Vets' },
  { to: '/import', name: 'Import, export' },
] as const;

/** The parts of the book. */
export const BookTabs = () => (
  <nav aria-label="The book" className="flex gap-1 border-b border-line -mb-1 overflow-x-auto">
    {TABS.map(({ to, name }) => (
      <NavLink
        key={to}
        to={to}
        end
        className={({ isActive }) =>
          classes(
            'px-4 min-h-11 flex items-center font-semibold border-b-3 whitespace-nowrap',
            isActive ? 'border-pond text-pond' : 'border-transparent text-soft hover:text-ink',
          )
        }
      >
        {name}
      </NavLink>
    ))}
  </nav>
);
