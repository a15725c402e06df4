import { Toast } from 'radix-ui';
import { dropNote, useNotes } from './tell';

export function Toasts() {
  const notes = useNotes((state) => state.notes);
  return (
    <Toast.Provider duration={8000} swipeDirection="down">
      {notes.map(({ id, words, tone, undo }) => (
        <Toast.Root
          key={id}
          onOpenChange={(open) => !open && dropNote(id)}
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
