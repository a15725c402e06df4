/** What a household is called after one of its people. */
export const lastName = (name: string): string => name.split(' ').at(-1) ?? name;
