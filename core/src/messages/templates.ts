/** What an owner is written, by occasion. Slots in braces; `{link}` becomes a page of its own for this owner. */
export const TEMPLATES = {
  'nearly ready': {
    name: 'Nearly ready',
    subject: '{dog} is nearly ready',
    words: 'Hello {owner}, {dog} will be ready around {time}. See you soon. {business}, {phone}',
  },
  'please ring': {
    name: 'Please ring us',
    subject: 'Please ring us about {dog}',
    words: 'Hello {owner}, we have a question about {dog}. Please ring us before {time}: {phone}. {business}',
  },
  sheet: {
    name: 'Sheet of the visit',
    subject: '{dog} at {business}, {day}',
    words:
      'Hello {owner}, this is what we saw and did with {dog} on {day}, and what we suggest for home: {link} The page is yours for {days} days. {business}, {phone}',
  },
  'vet, please': {
    name: 'A vet should look',
    subject: '{dog}: please let a vet look',
    words:
      'Hello {owner}, we saw something at the {place} of {dog} that a vet should look at {urgency}. A letter for the vet is here: {link} Please tell us what the vet says: we go by that. {business}, {phone}',
  },
  'has a vet looked': {
    name: 'Has a vet looked?',
    subject: '{dog}: has a vet looked?',
    words:
      'Hello {owner}, on {day} we asked you to let a vet look at {dog} ({place}). Has a vet looked? We go by what the vet says. The letter for the vet is still here: {link} Please tell us: {phone}. {business}',
  },
  'how is it': {
    name: 'How is it?',
    subject: 'How is {dog}?',
    words: 'Hello {owner}, how is {dog} doing since {day}? Please tell us: {phone}. {business}',
  },
  'after plucking': {
    name: 'After plucking',
    subject: 'How are the ears of {dog}?',
    words:
      'Hello {owner}, on {day} we took hair out of the ears of {dog}. A little redness and some shaking may last for some hours. Please look and smell now. Still red, wet or smelly, or your dog paws at it: ring us: {phone}. {business}',
  },
  'this week at home': {
    name: 'This week at home',
    subject: 'This week for {dog}',
    words:
      'Hello {owner}, this week for {dog}: {tasks}. How it is done, and where to tick it, is here: {link} You asked for this word once a week; you can stop it there. {business}, {phone}',
  },
  'time to come': {
    name: 'Time to come',
    subject: 'It is time for {dog}',
    words:
      'Hello {owner}, it is time for the next visit of {dog}. We could do {day} at {time}: would that suit you? Say yes, or take another time, here: {link} Or ring us: {phone}. {business}',
  },
  'a gap': {
    name: 'A place came free',
    subject: 'A place came free for {dog}',
    words:
      'Hello {owner}, a place came free for {dog} on {day} at {time}. The first yes takes it, here: {link} Or ring us: {phone}. {business}',
  },
  'before you come': {
    name: 'Before you come',
    subject: '{dog}: {day} at {time}',
    words:
      'Hello {owner}, we look forward to {dog} on {day} at {time}. {before}If you cannot come, tell us here: {link} See you then. {business}, {phone}',
  },
  'on our way': {
    name: 'On our way',
    subject: 'We are on our way to {dog}',
    words: 'Hello {owner}, we are on our way and should be with {dog} around {time}. {business}, {phone}',
  },
} as const;
export type MessageKind = keyof typeof TEMPLATES;
export const MESSAGE_KINDS = Object.keys(TEMPLATES) as readonly MessageKind[];

/** Stands in a message where its private link goes. The secret itself is written nowhere. */
export const LINK_MARK = '{link}';

/** A text of a business that has written down no number: without the place for it, and the sign that led to it. */
export const withoutPhone = (text: string): string => text.replaceAll(/[,:]?\s*\{phone\}/g, '');
