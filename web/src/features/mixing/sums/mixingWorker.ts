import { reckon, type MixQuestion } from '@dewpond/core/mixing';
import { passed, toPass } from '@dewpond/core/threads';

/** A question of the calculator, numbered. */
export interface MixAsked {
  readonly n: number;
  readonly question: unknown;
}
export interface MixAnswered {
  readonly n: number;
  readonly answer: unknown;
}

self.onmessage = ({ data: { n, question } }: MessageEvent<MixAsked>) =>
  self.postMessage({ n, answer: toPass(reckon(passed(question) as MixQuestion)) } satisfies MixAnswered);
