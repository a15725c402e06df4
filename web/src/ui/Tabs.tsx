import { NavLink } from 'react-router';
import { classes } from './classes';

export interface TabAt {
  readonly to: string;
  readonly name: string;
}

/** On a narrow screen the tab one is on is brought into sight. */
const showActive = (nav: HTMLElement | null): void => {
  const active = nav?.querySelector<HTMLElement>('[aria-current=page]');
  if (nav && active) nav.scrollLeft = active.offsetLeft - (nav.clientWidth - active.offsetWidth) / 2;
};

/** Screens of one place, side by side. */
export const Tabs = ({ label, tabs }: { readonly label: string; readonly tabs: readonly TabAt[] }) => (
  <nav
    aria-label={label}
    ref={showActive}
    className="no-print flex gap-1 border-b border-line -mb-1 overflow-x-auto shrink-0"
  >
    {tabs.map(({ to, name }) => (
      <NavLink
        key={to}
        to={to}
        end={to === tabs[0]?.to}
        className={({ isActive }) =>
          classes(
            'px-4 max-md:px-3 min-h-11 flex items-center font-semibold border-b-3 whitespace-nowrap',
            isActive ? 'border-pond text-pond' : 'border-transparent text-soft hover:text-ink',
          )
        }
      >
        {name}
      </NavLink>
    ))}
  </nav>
);
