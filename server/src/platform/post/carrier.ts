import type { Outcome } from '@dewpond/core/messages';

/** A message ready to be handed over. */
export interface OutgoingMail {
  /** The same for every try, so that a box that gets it twice can tell. */
  readonly id: string;
  /** Names it in this installation, for a carrier that says later what became of it. */
  readonly ref: string;
  readonly to: string;
  readonly from: { readonly name: string; readonly replyTo: string };
  readonly subject: string;
  readonly words: string;
  /** Of the words, for whoever reads them aloud; may be empty. */
  readonly language: string;
  readonly attached: readonly { readonly name: string; readonly bytes: Buffer }[];
}

/** Somebody who carries messages away. */
export interface Carrier {
  readonly via: 'stand-in' | 'smtp' | 'http';
  readonly deliver: (letter: OutgoingMail) => Promise<Outcome>;
}
