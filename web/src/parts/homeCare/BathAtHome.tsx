import { fillIn, type HomeBathReady, type HomeTaskTold, type PageWords } from '@dewpond/core/wording';
import { OctagonX, X } from 'lucide-react';
import type { ReactNode } from 'react';
import { MethodDrawing } from '../../drawings/method/MethodDrawing';
import { Wordless } from '../../drawings/method/parts';

interface BathAtHomeProps {
  readonly bath: HomeBathReady;
  readonly card: HomeTaskTold['card'];
  readonly words: PageWords;
  /** Where a clock can run: not on paper. */
  readonly clock?: ReactNode;
}

/** A bath at home for the owner who gives it: what goes into what, step by step with pictures, when not. */
export function BathAtHome({ bath, card, words, clock }: BathAtHomeProps) {
  return (
    <div className="flex flex-col gap-4">
      <WhatInWhat bath={bath} words={words} />
      <section aria-label={words.bathNever}>
        <h3 className="font-bold mb-1">{words.bathNever}</h3>
        <ul className="text-[15px] flex flex-col gap-1 print:text-[12px]">
          {card.never.map((line) => (
            <Marked key={line} mark={<X size={16} role="img" aria-label={words.never} className="text-stop mt-0.5" />}>
              {line}
            </Marked>
          ))}
          {card.stops.map((line) => (
            <Marked
              key={line}
              mark={<OctagonX size={16} role="img" aria-label={words.stop} className="text-watch mt-0.5" />}
            >
              {line}
            </Marked>
          ))}
        </ul>
      </section>
      <section aria-label={words.bathSteps}>
        <h3 className="font-bold mb-1">{words.bathSteps}</h3>
        <ol className="flex flex-col gap-3 print:grid print:grid-cols-2 print:gap-x-6 print:gap-y-1.5">
          {bath.steps.map(({ id, words: said, drawing }, i) => (
            <li key={id} className="grid grid-cols-[32px_1fr] gap-2 break-inside-avoid">
              <b className="grid place-items-center size-8 rounded-full bg-pond text-on-pond tabular-nums print:size-6">
                {i + 1}
              </b>
              <div>
                <p className="pt-1 print:pt-0 print:text-[12px]">{said}</p>
                {drawing && (
                  <div aria-hidden className="h-32 mt-1 print:h-20 [&>svg]:h-full">
                    <Wordless>
                      <MethodDrawing drawing={drawing} />
                    </Wordless>
                  </div>
                )}
                {id === 'wait' && clock && <div className="no-print mt-2">{clock}</div>}
              </div>
            </li>
          ))}
        </ol>
      </section>
    </div>
  );
}

/** The two amounts, as large as one reads them beside a tub. */
function WhatInWhat({ bath, words }: Pick<BathAtHomeProps, 'bath' | 'words'>) {
  const { product, spoons, amount, water, parts, note, contactMinutes, nothingElse } = bath;
  return (
    <section aria-label={words.bathOnce} className="rounded-xl border-2 border-pond bg-pond-pale px-4 py-3">
      <h3 className="font-bold">{words.bathOnce}</h3>
      <div className="flex flex-wrap gap-x-8 gap-y-2 mt-1">
        <Amount number={spoons ?? amount} beside={spoons === null ? null : amount}>
          {fillIn(words.bathShampoo, { product })}
        </Amount>
        {water !== null && (
          <Amount number={water} beside={null}>
            {words.bathWater}
          </Amount>
        )}
      </div>
      <ul className="mt-2 text-[15px] flex flex-col gap-0.5 print:text-[12px]">
        {parts !== null && <li>{parts}</li>}
        {note !== '' && <li>{note}</li>}
        <li className="font-semibold">{water === null ? words.bathAsIs : words.bathMixOnDay}</li>
        {contactMinutes !== null && (
          <li className="font-semibold">{fillIn(words.bathContact, { minutes: String(contactMinutes) })}</li>
        )}
        {nothingElse && <li className="font-semibold">{words.bathNothingElse}</li>}
      </ul>
    </section>
  );
}

interface AmountProps {
  readonly number: string;
  readonly beside: string | null;
  readonly children: ReactNode;
}

const Amount = ({ number, beside, children }: AmountProps) => (
  <p>
    <span className="block text-2xl font-bold leading-tight print:text-lg">
      {number}
      {beside !== null && <span className="text-base font-normal"> ({beside})</span>}
    </span>
    {children}
  </p>
);

const Marked = ({ mark, children }: { readonly mark: ReactNode; readonly children: ReactNode }) => (
  <li className="grid grid-cols-[18px_1fr] gap-1.5">
    {mark}
    <span>{children}</span>
  </li>
);
