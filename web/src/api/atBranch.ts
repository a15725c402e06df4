import type { AT_BRANCH } from '@dewpond/contract';

const HEADER: typeof AT_BRANCH = 'x-dewpond-branch';

let branch: string | null = null;

/** At which branch this page looks from now on; null: where the person belongs. */
export function lookAt(branchId: string | null): void {
  branch = branchId;
}
/** To be put into what is asked. */
export const atBranch = (): Record<string, string> => (branch === null ? {} : { [HEADER]: branch });

/** A question whose answer is another at every branch, as it is cached on the device. */
export const askedHere = (question: string): string => (branch === null ? question : `${question} @${branch}`);
