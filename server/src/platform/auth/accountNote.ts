/** What is done to an account, and its person is told of by mail. */
export const ACCOUNT_CHANGES = ['device', 'password', 'second proof on', 'second proof off', 'PIN'] as const;
export type AccountChange = (typeof ACCOUNT_CHANGES)[number];

/** Told what was done to whose account; `device`: a browser they never used, having used others. */
export type AccountNote = (changed: { readonly personId: string; readonly what: AccountChange }) => Promise<void>;
