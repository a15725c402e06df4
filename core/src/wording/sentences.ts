/**
 * Every sentence an owner can read on a sheet, in one place to proof-read. Slots are named in braces; a business may say
 * it otherwise (wording.ts). Never a disease name, never a dose.
 */
export const SENTENCES = {
  placeClear: '{places}: clear.',
  restIsClear: 'All else we looked at: clear.',
  place: '{place}: {signs}.',
  placeCompared: '{place}: {signs}, {compared}.',
  asAlways: 'as always',
  graded: '{sign} ({grade})',
  more: 'more than last time',
  moreSince: 'more than in {month}',
  less: 'less than last time',
  lessSince: 'less than in {month}',
  same: 'about the same as last time',
  sameSince: 'about the same as in {month}',
  new: 'new since last time',
  pictureOn: '{place}, {day}',
  pictureBefore: '{place} before',
  pictureAfter: '{place} after',
  restClear: 'the rest of the body',
  notLookedAt: 'Not looked at this time: {places}.',
  bathed: 'Bathed with {products}.',
  bathedPlain: 'Bathed and dried.',
  cleaned: 'Cleaned: {places}.',
  cleanedOnePad: 'Cleaned the {place}: one dirty pad before a pad came out clean.',
  cleanedPads: 'Cleaned the {place}: {count} dirty pads before a pad came out clean.',
  cleanedOnePadEach: 'Cleaned the {place}: one dirty pad in each before a pad came out clean.',
  cleanedPadsEach: 'Cleaned the {place}: {count} dirty pads in each before a pad came out clean.',
  filledTwice: 'Cleaner went in twice.',
  nailsDone: 'Nails and dewclaws done.',
  nailsSeen: 'Nails as we found them: {seen}.',
  clipped: 'Clipped and trimmed: {what}.',
  face: 'face',
  nothingNeeded: 'Looked at, nothing needed: {what}.',
  pieceLeft: 'Left this time: {what}.',
  earHairOut: 'Took hair out of the {place}.',
  earHairTrimmed: 'Trimmed the hair at the {place}.',
  earHairWent: 'Hair in the {place}: {came} came out.',
  earHairBorne: 'Your dog: {borne}.',
  earHairLeft: 'Some is left for the next visit.',
  earHairAfter:
    'Where hair came out, some redness for an hour or two and some shaking for a few hours are normal. If it lasts past a day, please call us.',
  afterFall: 'Keep your dog calm today. If it limps, is dull or breathes fast, ring a vet at once.',
  afterReaction:
    'Look at the skin tonight and tomorrow. If it stays red, let a vet look. If the face swells, bumps come up all over or it breathes hard, go to a vet at once.',
  afterProductInEye: 'If your dog still squints or rubs that eye tonight, let a vet look today.',
  afterQuick:
    'A nail bled. Keep the paw dry and on soft ground until tomorrow. If it bleeds again, press a clean cloth on it. If it has not stopped after 15 minutes, let a vet look today.',
  afterNick:
    'Keep the sore place clean and dry, and do not let your dog lick it. If it is red, wet or swollen after two days, let a vet look.',
  afterEarMat:
    'A mat came off an ear. Feel the ear flap again after an hour. If it swells or your dog keeps shaking its head, let a vet look today.',
  afterMat:
    'Skin under a mat can be pink and itch for a day or two. Keep sun, cold and wet off it. If your dog still scratches there after two days, please call us.',
  afterVetsBath:
    'This was the bath that {who} asked for. Use no other shampoo before the next one. If the skin is redder or itches more tomorrow, ring your vet.',
  afterEars:
    'After ears are cleaned, some shaking for a few hours is normal, and some redness for an hour or two. If it lasts past a day, please call us.',
  afterFirstVisit:
    'A first visit makes a puppy tired. A quiet day and a long sleep are normal. If it will not eat or is still dull tomorrow, ring your vet.',
  finishedWith: 'Finished with {products}.',
  alsoDone: 'Also done: {what}.',
  brushedOut: 'Brushed out.',
  tidied: 'Combed through and tidied.',
  teethDone: 'Teeth brushed.',
  wipedOutside: 'Wiped from outside only: {places}.',
  wipedAround: 'Around only, with plain water: {places}.',
  pattedDry: 'Patted dry from outside: {places}.',
  noseBalm: 'Balm on the nose pad.',
  leftAlone: 'Left the {place} alone: {because}.',
  skipped: 'Not done this time: {step} ({because}).',
  reasonSince: '{signs} on {day}, and no vet has looked since',
  reasonNothingElse: 'nothing else on the skin, says {who}',
  reasonNotDone: '{who} asked us not to',
  reasonNotDoneUntil: '{who} asked us not to until {day}',
  reasonAvoid: 'nothing with {what} in it, says {who}',
  reasonNoConsent: 'you have not agreed to it',
  matShaved: 'Shaved out a mat at the {place}, with your word.',
  matBrushed: 'Brushed out a mat at the {place}.',
  matLeft: 'Left a mat at the {place} for another day.',
  beneath: 'Beneath it: {what}.',
  incident: 'There was {what}. {done}',
  incidentAt: 'There was {what} ({place}). {done}',
  contactShort: 'The wash stood for {stood} of {asked} minutes.',
  wentHome: 'Went home before the end: {because}.',
  endedEarly: 'We ended the visit early.',
  cameBackOften: '{place}: {count} times in six months this was for a vet. Please tell yours so.',
  eyeVet: 'Please ask an eye vet once why the eyes water.',
  plugNotFound: 'We could not find the cotton that was in the {side} ear. Please have a vet look today.',
  homeCare: '{what}, {every}, first on {day}: {how} About {minutes} a time.',
  taskAt: '{what} ({places})',
  only: '{place} only',
  untilClear: '{every} until it is clear, then {then}',
  clearAgain: '{every} again (it was clear on {day})',
  twiceADay: 'twice a day',
  timesADay: '{count} times a day',
  everyDay: 'every day',
  onceAWeek: 'once a week',
  everyDays: 'every {count} days',
  oneMinute: '1 minute',
  minutes: '{count} minutes',
  nextVisit: 'We suggest the next visit around {day}.',
  sawTitle: 'What we saw',
  didTitle: 'What we did',
  suggestTitle: 'What is next',
  careTitle: 'Until the next visit',
  homeTitle: 'At home',
  dogsLeft: 'dog’s left',
  dogsRight: 'dog’s right',
  forOwner: 'For {owner}',
  foot: 'A dot is clear; one, two, three rings are {grades}. Left and right are the dog’s own. This is what a groomer saw from the outside; only a vet can say what it means.',
  booked: 'Your next visit is booked for {day}.',
  bookedLate: 'Your next visit is booked for {day}. Sooner is better: around {sooner}.',
} as const;
export type SentenceKey = keyof typeof SENTENCES;

/** The names in the braces of a sentence. */
export type Slot<S extends string> = S extends `${string}{${infer Name}}${infer Rest}` ? Name | Slot<Rest> : never;

export const slotsOf = (sentence: string): string[] =>
  [...sentence.matchAll(/\{(\w+)\}/g)].map(([, name]) => name ?? '').toSorted();

/** Fills the slots of a sentence by name. Throws `RangeError` when one has no word. */
export const fillIn = (sentence: string, words: Readonly<Record<string, string>>): string =>
  sentence.replaceAll(/\{(\w+)\}/g, (_, name: string) => {
    const word = words[name];
    if (word === undefined) throw new RangeError(`"${sentence}" wants a word for "${name}".`);
    return word;
  });
