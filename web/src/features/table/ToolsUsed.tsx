import { CLIP_PARTS } from '@dewpond/core/dog';

import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { classes } from '../../ui/classes';
import type { TableWork } from './useTable';
import { record } from './visitLog';
import { showDay } from '../../browser/times';

/** Blades by their number, longest first, as the makers of all brands count them [common practice]; combs by millimetres. */
const TOOLS = [
  'scissors',
  '3F blade',
  '4F blade',
  '5F blade',
  '7F blade',
  '10 blade',
  '30 blade',
  '13 mm comb',
  '19 mm comb',
  '25 mm comb',
] as const;

/** Blade, comb or scissors by part of the body, under what the owner wishes; last time's stands ready, so that this time matches. */
export function ToolsUsed({ table }: { readonly table: TableWork }) {
  const [part, setPart] = useState<string | null>(null);
  const { tools } = table.state;
  const last = table.visit.tools;
  const { style } = table.visit;
  const same = CLIP_PARTS.filter((each) => last[each] !== undefined && tools[each] === undefined);
  const finished = table.visit.photos.find(({ place }) => place === 'body/none');
  return (
    <section aria-label="Blade and comb" className="mt-4 max-w-3xl">
      <h2 className="mb-1.5">Blade or comb, by part</h2>
      {finished && (
        <figure className="mb-2">
          <img
            src={`/api/photos/${finished.photo}`}
            alt={`${table.visit.dog.name}, ${showDay(finished.day)}`}
            className="max-h-48 rounded-xl border border-line"
          />
          <figcaption className="text-sm text-soft">The whole dog, {showDay(finished.day)}</figcaption>
        </figure>
      )}
      <div className="grid grid-cols-3 gap-2">
        {CLIP_PARTS.map((each) => (
          <button
            key={each}
            type="button"
            aria-expanded={part === each}
            onClick={() => setPart(part === each ? null : each)}
            className={classes(
              'rounded-xl border min-h-16 px-3 py-2 text-left leading-tight',
              part === each ? 'border-pond bg-pond-pale' : 'border-line bg-surface hover:bg-pond-pale',
            )}
          >
            <b className="block first-letter:uppercase">{each}</b>
            {style[each] && <span className="block text-pond font-semibold">{style[each]}</span>}
            <span className="text-sm text-soft">
              {tools[each] ?? (last[each] === undefined ? 'not noted' : `last time ${last[each]}`)}
            </span>
          </button>
        ))}
      </div>
      {part !== null && (
        <div role="group" aria-label={`Tool, ${part}`} className="flex flex-wrap gap-1.5 mt-2">
          {TOOLS.map((tool) => (
            <Choice
              key={tool}
              chosen={tools[part] === tool}
              onClick={() => {
                record({ type: 'tool used', part, tool });
                setPart(null);
              }}
            >
              {tool}
            </Choice>
          ))}
        </div>
      )}
      {same.length > 0 && (
        <Button
          look="quiet"
          className="min-h-14! mt-2"
          onClick={() =>
            record(...same.map((each) => ({ type: 'tool used' as const, part: each, tool: last[each] ?? '' })))
          }
        >
          As last time: {same.map((each) => `${each} ${last[each]}`).join(', ')}
        </Button>
      )}
    </section>
  );
}
