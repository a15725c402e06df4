import type { HomeCareView } from '@dewpond/contract';
import { fillIn } from '@dewpond/core/wording';

/** What home care takes a week, and what is not asked because it would take more than the owner has. */
export function HomeMinutes({ home: { words, minutes, left } }: { readonly home: HomeCareView }) {
  const fits = minutes.agreed !== null && left.length > 0;
  return (
    <div className="text-soft">
      <p>
        {fillIn(words.homeTakes, { minutes: String(minutes.asked) })}
        {fits && ` ${fillIn(words.homeFits, { agreed: String(minutes.agreed), asked: String(minutes.wanted) })}`}
      </p>
      {left.length > 0 && (
        <details className="mt-1">
          <summary className="min-h-11 flex items-center font-semibold text-pond cursor-pointer">
            {words.homeLeft}
          </summary>
          <ul className="flex flex-col gap-1">
            {left.map(({ task, name, words: follows }) => (
              <li key={task.key}>
                <b className="text-ink">{name}</b>: {follows}
              </li>
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}
