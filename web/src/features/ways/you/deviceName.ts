/** Browsers by the word that tells them apart; one that builds on another comes first. */
const BROWSERS = [
  ['Edg/', 'Edge'],
  ['OPR/', 'Opera'],
  ['Firefox/', 'Firefox'],
  ['Chrome/', 'Chrome'],
  ['Safari/', 'Safari'],
] as const;
const SYSTEMS = [
  ['iPhone', 'iPhone'],
  ['iPad', 'iPad'],
  ['Android', 'Android'],
  ['Windows', 'Windows'],
  ['Mac OS X', 'Mac'],
  ['Linux', 'Linux'],
] as const;

/** What a browser says of itself, as a person says it: "Firefox, Windows". */
export function deviceName(agent: string): string {
  const first = (table: readonly (readonly [string, string])[]) => table.find(([mark]) => agent.includes(mark))?.[1];
  const said = [first(BROWSERS), first(SYSTEMS)].filter((each) => each !== undefined);
  return said.length > 0 ? said.join(', ') : 'Another program';
}
