import { ALL_HOME_HOWS, FORBIDDING, HOME_HOWS } from '../rules';
import { ADVICE, ALL_SIGNS, FINDING_COLOURS, FINDING_SMELLS, LEVELS, PROCEDURES, SIGNS, type Level } from '../findings';
import { MESSAGE_KINDS, TEMPLATES } from '../messages';
import { ALL_AT_HOME_LINES, ALL_BATH_STEPS, AT_HOME_LINES, BATH_STEPS } from '../methods';
import { ALL_CAUTIONS, CAUTIONS } from '../dilution';
import { GRADE_WORDS, SITES, nameBoth, namePlace, placeKey } from '../places';
import { ALL_CHOICES, CHOICES } from '../reasons';
import { ALL_TASKS, TASKS } from '../tasks';
import { ALL_TITLES, STEP_TITLES } from '../steps';
import { INCIDENTS, INCIDENT_KINDS } from '../events';
import { LETTER_WORDS } from './letterWords';
import { MEANWHILE_WORDS } from './meanwhile';
import { NAMED_PLACES } from './namedPlaces';
import { PAGE_WORDS } from './pageWords';
import { SENTENCES } from './sentences';
import { ofEach, type Wording } from './wording';

/** How soon a vet should look, in an owner's words. */
const URGENCY: Readonly<Partial<Record<Level, string>>> = {
  vet: 'within a week',
  'vet soon': 'within a day or two',
  'vet today': 'today',
  emergency: 'at once',
};

/** What stands above everything else. What it means for our own care is said at the place. */
const PRESSES: Readonly<Partial<Record<Level, string>>> = {
  vet: 'A vet should look within a week.',
  'vet soon': 'A vet should look within a day or two.',
  'vet today': 'A vet should look today.',
  emergency: 'Leave for a vet now.',
};

const lower = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);

/** What forbids a piece of work, as the rule itself says it: within a sentence, without its full stop. */
const rulesInEnglish = (): Record<string, string> =>
  Object.fromEntries(
    FORBIDDING.flatMap(({ id, then }) =>
      (typeof then === 'function' ? [] : then).flatMap((each) =>
        each.kind === 'bar' ? [[id, each.words.replace(/\.$/, '')]] : [],
      ),
    ),
  );

/** What owners read in English, gathered from the tables that say it. Another language is a folder of the same shape. */
export const ENGLISH: Wording = {
  language: 'en-GB',
  sentences: SENTENCES,
  advice: ADVICE,
  meanwhile: MEANWHILE_WORDS,
  presses: ofEach(LEVELS, (level) => PRESSES[level] ?? null),
  urgency: URGENCY,
  signs: ofEach(ALL_SIGNS, (sign) => SIGNS[sign].owner),
  tradeSigns: ofEach(ALL_SIGNS, (sign) => SIGNS[sign].name),
  grades: GRADE_WORDS,
  colours: ofEach(FINDING_COLOURS, (colour) => colour),
  smells: ofEach(FINDING_SMELLS, (smell) => smell),
  procedures: { ...ofEach(PROCEDURES, (procedure) => procedure), fill: 'fill with cleaner', towel: 'touch by cloth' },
  conditions: {
    'drum torn or suspected': 'the drum is torn or may be',
    'ear operation': 'an ear operation',
    'long-acting gel in place': 'the vet’s gel is in that ear',
    'drops given today': 'drops were given today',
    'eye drops or ointment today': 'drops or ointment were given today',
    'eye operation': 'an eye operation',
  },
  incidents: ofEach(INCIDENT_KINDS, (kind) => INCIDENTS[kind].owner),
  messages: ofEach(MESSAGE_KINDS, (kind) => ({ subject: TEMPLATES[kind].subject, words: TEMPLATES[kind].words })),
  places: Object.fromEntries(NAMED_PLACES.map((place) => [placeKey(place), namePlace(place)])),
  both: ofEach(SITES, nameBoth),
  earSides: { left: 'left', right: 'right' },
  tasks: ofEach(ALL_TASKS, (task) => TASKS[task].name),
  titles: ofEach(ALL_TITLES, (id) => STEP_TITLES[id]),
  homeHows: ofEach(ALL_HOME_HOWS, (how) => HOME_HOWS[how]),
  atHome: ofEach(ALL_AT_HOME_LINES, (id) => AT_HOME_LINES[id]),
  bathSteps: ofEach(ALL_BATH_STEPS, (id) => BATH_STEPS[id].words),
  labelCautions: ofEach(ALL_CAUTIONS, (id) => CAUTIONS[id].label),
  rules: rulesInEnglish(),
  choices: {
    ...ofEach(ALL_CHOICES, (choice) => lower(CHOICES[choice])),
    'would not have it': 'your dog would not have it',
    'owner does not want it': 'as you wished',
    'owner fetches it': 'you fetched your dog',
    'has had enough': 'your dog had had enough',
    'would not bear it': 'your dog would not bear it',
    'in distress': 'your dog was in distress',
  },
  hairCame: { none: 'none of it', 'a few': 'a few hairs', most: 'most of it', all: 'all of it' },
  hairBorne: { calm: 'calm', minded: 'minded it a little', 'broke off': 'would not have it, so we stopped' },
  nailLengths: {
    short: 'short',
    'at the floor': 'touching the floor',
    clicks: 'clicking on the floor',
    long: 'long',
    curled: 'curled',
  },
  earHair: {
    'not today': 'not today',
    'kept for vets': 'that is kept for vets here',
    'no consent': 'you have not agreed to it',
    'no hair inside': 'no hair grows inside',
    'ear trouble before': 'there was trouble before: a vet should say first',
    sparse: 'there is little hair',
    'left alone': null,
    'outside only': null,
    'house trims': null,
    'broke off today': 'your dog would not have it today',
    'not borne': 'your dog did not bear it last time',
    'old and new to it': 'it was never done, and your dog is old',
    'old, not known': 'nobody knows whether it was ever done, and your dog is old',
    'house stages': null,
    'first time': 'it is the first time',
    'last time not known': 'nobody knows when it was done last',
    'long ago': 'it was done long ago',
    'minded last time': 'your dog minded it last time',
    'one more visit': 'it is done over several visits',
    'two more visits': 'it is done over several visits',
    'borne well': null,
  },
  services: {
    'ear hair vet': 'that is kept for vets here',
    'ear hair outside only': 'here ears are worked on from outside only',
    'ear cleaning outside only': 'here ears are wiped from outside only',
    'grown-in dewclaw vet': 'that is left to a vet here',
    'shave-down vet': 'that is left to a vet here',
  },
  page: PAGE_WORDS,
  letter: LETTER_WORDS,
  thisAfternoon: 'this afternoon',
  before: {
    meal: 'No big meal in the two hours before.',
    walk: 'A walk before helps it to stand still.',
    bring: 'As it is the first visit: please bring its lead, treats it may have, and the name of your vet.',
    bottle: 'Please bring the bottle that your vet gave you.',
  },
};
