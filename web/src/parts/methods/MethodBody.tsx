import type { MethodCard } from '@dewpond/core/methods';
import type { Sourced } from '@dewpond/core/provenance';
import { Check, OctagonX, X } from 'lucide-react';
import type { ReactNode } from 'react';
import { MethodDrawing } from '../../drawings/method/MethodDrawing';
import { SourceMark } from '../../ui/SourceMark';
import { classes } from '../../ui/classes';

/** How it is done: drawings, steps, what never, when to stop, what is enough. */
export function MethodBody({ card }: { readonly card: MethodCard }) {
  return (
    <div className="flex flex-col gap-5">
      <div className={classes('grid gap-3.5', card.drawings.length > 1 && 'grid-cols-2 max-md:grid-cols-1')}>
        {card.drawings.map((drawing) => (
          <figure key={drawing} className="rounded-card border border-line bg-paper p-3 max-w-xl w-full mx-auto">
            <MethodDrawing drawing={drawing} />
          </figure>
        ))}
      </div>
      <p className="text-soft">
        <b className="text-ink">Within reach:</b> {card.needs.join('; ')}.
      </p>
      <ol className="flex flex-col gap-2 text-[17px]">
        {card.steps.map((line, i) => (
          <Line key={line.words} line={line} sign={<span className="font-bold text-pond tabular-nums">{i + 1}</span>} />
        ))}
      </ol>
      <div className="grid grid-cols-2 max-md:grid-cols-1 gap-5">
        <Part
          title="Never"
          tone="text-stop"
          lines={card.never}
          sign={<X size={18} aria-hidden className="text-stop" />}
        />
        <Part
          title="Stop, and look again"
          tone="text-watch"
          lines={card.stops}
          sign={<OctagonX size={18} aria-hidden className="text-watch" />}
        />
      </div>
      <p className="rounded-card bg-reed-pale text-reed font-semibold px-4 py-3 flex gap-2 items-start">
        <Check size={20} aria-hidden className="shrink-0 mt-0.5" />
        <span>Enough: {card.enough}</span>
      </p>
    </div>
  );
}

interface MethodPartProps {
  readonly title: string;
  readonly tone: string;
  readonly lines: readonly Sourced[];
  readonly sign: ReactNode;
}

const Part = ({ title, tone, lines, sign }: MethodPartProps) => (
  <section>
    <h3 className={classes('font-bold mb-1.5', tone)}>{title}</h3>
    <ul className="flex flex-col gap-1.5">
      {lines.map((line) => (
        <Line key={line.words} line={line} sign={sign} />
      ))}
    </ul>
  </section>
);

const Line = ({ line, sign }: { readonly line: Sourced; readonly sign: ReactNode }) => (
  <li className="grid grid-cols-[22px_1fr] gap-2 items-start">
    <span className="mt-0.5 text-center">{sign}</span>
    <span>
      {line.words} <SourceMark source={line.source} />
    </span>
  </li>
);
