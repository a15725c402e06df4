import type { ReactNode } from 'react';
import { BottleDrawing } from '../../../drawings/BottleDrawing';
import { Card } from '../../../ui/Card';

interface MixingAnswerProps {
  readonly title: string;
  /** A bottle to scale: what is in it below, what is poured on it above, ml; left out where nothing is poured. */
  readonly bottle?: { readonly below: number; readonly above: number; readonly label: string };
  readonly children: ReactNode;
}

/** The answer of a small sum at the bench: the bottle as it will stand, and the words. */
export function MixingAnswer({ title, bottle, children }: MixingAnswerProps) {
  return (
    <Card title={title}>
      <div className="flex flex-wrap gap-8 items-center">
        {bottle && (
          <figure className="max-w-40">
            <BottleDrawing
              product={bottle.below}
              water={bottle.above}
              brim={(bottle.below + bottle.above) * 1.1}
              graduation={null}
              height={240}
              label={bottle.label}
            />
            <figcaption className="text-sm text-soft mt-1">{bottle.label}</figcaption>
          </figure>
        )}
        <div className="flex flex-col gap-3 flex-1 min-w-64">{children}</div>
      </div>
    </Card>
  );
}

/** One large number and what it is. */
export const Figure = ({ big, words }: { readonly big: string; readonly words: string }) => (
  <p>
    <span className="block text-[32px] font-bold leading-none">{big}</span>
    <span className="text-soft">{words}</span>
  </p>
);

/** Why there is no number. */
export const Refusal = ({ why }: { readonly why: string }) => (
  <p role="alert" className="rounded-xl bg-watch-pale text-watch font-semibold px-4 py-2">
    {why}
  </p>
);
