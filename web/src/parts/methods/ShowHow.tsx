import { cardFor, methodOfStep, type CardWays } from '@dewpond/core/methods';
import type { Step } from '@dewpond/core/steps';
import { BookOpen } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { MethodDialog } from './MethodDialog';

/** Opens the method card of a step over the visit, as the business works on this dog; nothing where a step has none. */
export function ShowHow({ step, ways }: { readonly step: Step; readonly ways: CardWays }) {
  const [shown, setShown] = useState(false);
  const card = methodOfStep(step);
  if (!card) return null;
  return (
    <>
      <Button look="quiet" className="min-h-14! min-w-14 shrink-0" onClick={() => setShown(true)}>
        <BookOpen size={20} aria-hidden /> <span className="max-md:sr-only">Show how</span>
      </Button>
      <MethodDialog card={shown ? cardFor(card, ways) : undefined} onClose={() => setShown(false)} />
    </>
  );
}
