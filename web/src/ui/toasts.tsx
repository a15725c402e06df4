import { Toast } from 'radix-ui';
import { create } from 'zustand';

interface Note {
  readonly id: number;
  readonly words: string;
  readonly tone: 'plain' | 'stop';
  readonly undo?: (() => void) | undefined;
}

const useNotes = create<{ notes: readonly Note[]; next: number }>(() => ({ notes: [], next: 1 }));

/** A short word at the foot of the screen; with `undo`, the way back. */
export function tell(words: string, options: { readonly tone?: Note['tone']; readonly undo?: () => void } = {}): void {
  useNotes.setState(({ notes, next }) => ({
    notes: [...notes.slice(-2), { id: next, words, tone: options.tone ?? 'plain', undo: options.undo }],
    next: next + 1,
  }));
}

/** Takes all of them away, as when someone signs out. */
export const forgetNotes = (): void => useNotes.setState({ notes: [] });

const drop = (id: number) => {
  useNotes.setState(({ notes }) => ({ notes: notes.filter((note) => note.id !== id) }));
};

export function Toasts() {
  const notes = useNotes((state) => state.notes);
  return (
    <Toast.Provider duration={8000} swipeDirection="down">
      {notes.map(({ id, words, tone, undo }) => (
        <Toast.Root
          key={id}
          onOpenChange={(open) => !open && drop(id)}
          className={`flex items-center gap-4 rounded-xl border px-4 py-3 shadow-lg bg-surface ${tone === 'stop' ? 'border-stop text-stop' : 'border-line text-ink'}`}
        >
          <Toast.Description className="font-semibold">{words}</Toast.Description>
          {undo && (
            <Toast.Action
              altText="Undo"
              onClick={undo}
              className="rounded-lg border border-pond text-pond font-semibold px-3 min-h-11"
            >
              Undo
            </Toast.Action>
          )}
        </Toast.Root>
      ))}
      <Toast.Viewport className="no-print fixed bottom-4 left-1/2 -translate-x-1/2 z-60 flex flex-col gap-2 w-[min(92vw,34rem)]" />
    </Toast.Provider>
  );
}
