import { create } from 'zustand';

interface Note {
  readonly id: number;
  readonly words: string;
  readonly tone: 'plain' | 'stop';
  readonly undo?: (() => void) | undefined;
}

export const useNotes = create<{ notes: readonly Note[]; next: number }>(() => ({ notes: [], next: 1 }));

/** A short word at the foot of the screen; with `undo`, the way back. */
export function tell(words: string, options: { readonly tone?: Note['tone']; readonly undo?: () => void } = {}): void {
  useNotes.setState(({ notes, next }) => ({
    notes: [...notes.slice(-2), { id: next, words, tone: options.tone ?? 'plain', undo: options.undo }],
    next: next + 1,
  }));
}

/** Takes all of them away, as when someone signs out. */
export const forgetNotes = (): void => useNotes.setState({ notes: [] });

export const dropNote = (id: number): void => {
  useNotes.setState(({ notes }) => ({ notes: notes.filter((note) => note.id !== id) }));
};
