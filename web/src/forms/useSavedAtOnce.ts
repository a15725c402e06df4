import { useEffect, useRef } from 'react';
import { z } from 'zod';
import type { WriteKey } from '../data/stale';
import { useWrite } from '../data/useWrite';
import { tell } from '../ui/tell';
import { alike, changeTo } from './clashes';
import { useDraft, type FormDraft, type SeenRow } from './useDraft';

interface Keeping<Form> {
  /** Sends the whole; `version` is what it changes. */
  readonly keep: (form: Form, version: number) => Promise<{ readonly version: number }>;
  /** What is told when it is kept. */
  readonly says: string;
}

export interface SavedAtOnce<Form> {
  /** As it stands here, kept or not yet. */
  readonly form: Form;
  readonly change: (change: Partial<Form>) => void;
  /** Why it is not kept yet; null: it is, or is on its way. */
  readonly notSaved: string | null;
  readonly again: () => void;
  /** Back to what the server has. */
  readonly giveUp: () => void;
  readonly draft: Pick<FormDraft<Form>, 'clashes' | 'form' | 'takeOver'>;
}

interface SentForm<Form> {
  readonly form: Form;
  readonly before: Form;
  readonly version: number;
}

/**
 * A form without a button: each change goes to the server by itself, one after the other. What someone else changed
 * meanwhile is taken in beside it; where both changed one thing a person chooses. What could not be kept stays in sight.
 */
export function useSavedAtOnce<Form extends object>(
  now: SeenRow<Form>,
  endpoint: WriteKey,
  { keep, says }: Keeping<Form>,
): SavedAtOnce<Form> {
  const isHere = useIsHere();
  const draft = useDraft(now, { as: (form) => form, fits: z.unknown() });
  const { form, before, version, isTyped, clashes, set, takeOver } = draft;
  // The version that the change on its way names: from each version one is sent, and its answer brings the next. What the
  // library says of it comes a moment later, and two taps can be closer.
  const sentFrom = useRef<number | null>(null);
  const { mutate, reset, error } = useWrite(endpoint, {
    write: (_, sent: SentForm<Form>) => keep(sent.form, sent.version),
    onSuccess: (saved, sent) => {
      draft.saved(saved.version, sent.form);
      // Whoever has left the screen meanwhile still has the way back, and loses nothing of what was typed there.
      const sendOn = () => {
        if (isHere.current || alike(draft.typed(), sent.form)) return;
        mutate({ form: draft.typed(), before: sent.form, version: saved.version });
      };
      sendOn();
      const undo = () => {
        set(changeTo(sent.form, sent.before));
        sendOn();
      };
      tell(says, { undo });
    },
    onError: (problem) => {
      if (!isHere.current) tell(`Not kept. ${problem.message}`, { tone: 'stop' });
    },
  });
  const again = () => {
    sentFrom.current = null;
    reset();
  };
  const takeIn = (mine: readonly (keyof Form)[]) => {
    takeOver(mine);
    again();
  };
  const change = (to: Partial<Form>) => {
    set(to);
    if (error) again();
  };
  useEffect(() => {
    if (clashes?.length === 0) takeIn([]);
    if (!isTyped || clashes !== null || sentFrom.current === version) return;
    sentFrom.current = version;
    mutate({ form, before, version });
  });
  return {
    form,
    change,
    notSaved: clashes === null ? (error?.message ?? null) : null,
    again,
    giveUp: () => change(changeTo(form, before)),
    draft: { clashes, form, takeOver: takeIn },
  };
}

/** Whether the screen is still shown. */
function useIsHere() {
  const isHere = useRef(true);
  useEffect(() => {
    isHere.current = true;
    return () => {
      isHere.current = false;
    };
  }, []);
  return isHere;
}
