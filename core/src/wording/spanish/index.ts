import type { Wording } from '../wording';
import {
  AT_HOME_ES,
  BATH_STEPS_ES,
  CHOICES_ES,
  HAIR_BORNE_ES,
  HAIR_CAME_ES,
  NAIL_LENGTHS_ES,
  COLOURS_ES,
  CONDITIONS_ES,
  EAR_HAIR_ES,
  HOME_HOWS_ES,
  INCIDENTS_ES,
  LABEL_CAUTIONS_ES,
  PROCEDURES_ES,
  RULES_ES,
  SERVICES_ES,
  SMELLS_ES,
  TASKS_ES,
  TITLES_ES,
} from './care';
import { MEANWHILE_ES } from './meanwhile';
import { LETTER_ES, PAGE_ES } from './page';
import { BOTH_ES, PLACES_ES } from './places';
import { ADVICE_ES, MESSAGES_ES, PRESSES_ES, SENTENCES_ES, URGENCY_ES } from './sentences';
import { SIGNS_ES } from './signs';

/**
 * What owners read in Spanish (of Spain, formal "usted"). Written by somebody whose first language it is not: it wants
 * a native reader (docs/sources.md). Signs have no trade names of their own here: vets read those of the owner.
 */
export const SPANISH: Wording = {
  language: 'es',
  sentences: SENTENCES_ES,
  advice: ADVICE_ES,
  meanwhile: MEANWHILE_ES,
  presses: PRESSES_ES,
  urgency: URGENCY_ES,
  signs: SIGNS_ES,
  tradeSigns: SIGNS_ES,
  grades: ['bien', 'leve', 'claro', 'fuerte'],
  colours: COLOURS_ES,
  smells: SMELLS_ES,
  procedures: PROCEDURES_ES,
  conditions: CONDITIONS_ES,
  incidents: INCIDENTS_ES,
  messages: MESSAGES_ES,
  places: PLACES_ES,
  both: BOTH_ES,
  earSides: { left: 'oreja izquierda', right: 'oreja derecha' },
  tasks: TASKS_ES,
  titles: TITLES_ES,
  homeHows: HOME_HOWS_ES,
  atHome: AT_HOME_ES,
  bathSteps: BATH_STEPS_ES,
  labelCautions: LABEL_CAUTIONS_ES,
  rules: RULES_ES,
  choices: CHOICES_ES,
  hairCame: HAIR_CAME_ES,
  hairBorne: HAIR_BORNE_ES,
  nailLengths: NAIL_LENGTHS_ES,
  earHair: EAR_HAIR_ES,
  services: SERVICES_ES,
  page: PAGE_ES,
  letter: LETTER_ES,
  thisAfternoon: 'esta tarde',
  before: {
    meal: 'Nada de comida abundante en las dos horas antes.',
    bring: 'Como es la primera visita, traiga la correa, premios que pueda comer y el nombre de su veterinario.',
    walk: 'Un paseo antes le ayuda a estarse quieto.',
    bottle: 'Traiga el frasco que le dio el veterinario.',
  },
};
