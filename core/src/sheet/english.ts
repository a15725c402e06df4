import { ALL_TASKS, TASKS } from '../tasks';
import { ADVICE, ALL_SIGNS, LEVELS, LEVEL_WORDS, SIGNS, atLeast } from '../findings';
import { MESSAGE_KINDS, TEMPLATES } from '../messages';
import { GRADE_WORDS, SITES, nameBoth, namePlace, placeKey } from '../places';
import { URGENCY } from '../referral';
import { INCIDENTS, INCIDENT_KINDS } from '../visit';
import { NAMED_PLACES, PHRASES } from './phrases';
import { SENTENCES } from './sentences';
import { ofEach, type Wording } from './wording';

/** What owners read in English, gathered from the tables that say it. Another language is a file like this one. */
export const ENGLISH: Wording = {
  language: 'en-GB',
  sentences: SENTENCES,
  advice: ADVICE,
  presses: ofEach(LEVELS, (level) => (atLeast(level, 'vet') ? `${LEVEL_WORDS[level]}.` : null)),
  urgency: URGENCY,
  signs: ofEach(ALL_SIGNS, (sign) => SIGNS[sign].owner),
  grades: GRADE_WORDS,
  incidents: ofEach(INCIDENT_KINDS, (kind) => INCIDENTS[kind].owner),
  messages: ofEach(MESSAGE_KINDS, (kind) => ({ subject: TEMPLATES[kind].subject, words: TEMPLATES[kind].words })),
  places: Object.fromEntries(NAMED_PLACES.map((place) => [placeKey(place), namePlace(place)])),
  both: ofEach(SITES, nameBoth),
  tasks: ofEach(ALL_TASKS, (task) => TASKS[task].name),
  phrases: ofEach(PHRASES, (english) => english),
};
