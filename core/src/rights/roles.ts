/** What people are in a business. */
export const ROLES = ['manager', 'groomer', 'bather', 'trainee', 'desk'] as const;
export type Role = (typeof ROLES)[number];

/** As it is said of one: "a groomer". */
const ONE: Readonly<Record<Role, string>> = {
  manager: 'an owner-manager',
  groomer: 'a groomer',
  bather: 'a bather',
  trainee: 'a trainee',
  desk: 'whoever is at the desk',
};
/** As it stands over a column. */
export const ROLE_NAMES: Readonly<Record<Role, string>> = {
  manager: 'owner-manager',
  groomer: 'groomer',
  bather: 'bather',
  trainee: 'trainee',
  desk: 'desk',
};

/** "A bather", "Whoever is at the desk". */
export const oneOfRole = (role: Role): string => `${ONE[role][0]!.toUpperCase()}${ONE[role].slice(1)}`;
/** "an owner-manager or a groomer" */
export const anyOfRoles = (roles: readonly Role[]): string =>
  new Intl.ListFormat('en-GB', { type: 'disjunction' }).format(roles.map((role) => ONE[role]));
