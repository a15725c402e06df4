export { ENGLISH } from './english';
export { homeBathTold, homeLabel, type HomeBathReady, type HomeBathTold, type HomeLabel } from './homeBathTold';
export { homeLeftTold, homeTaskTold, type HomeLeftTold, type HomeTaskTold } from './homeTaskTold';
export { inBusinessWords, shippedWords, wordingProblem, type BusinessWording, type WordingKey } from './houseWords';
export { pageWordsIn } from './pageWordsIn';
export { languageFor, wordingIn, type BusinessWordings } from './languages';
export { LETTER_WORDS, type LetterKey } from './letterWords';
export { NAMED_PLACES } from './namedPlaces';
export { allNotOurs, notOurs, notOursWords, type NotOurs } from './neverSay';
export { ALL_PAGE_KEYS, PAGE_WORDS, type PageKey, type PageWords } from './pageWords';
export { OLDER_THAN_THE_RECORD, say, sayAll, type Audience } from './say';
export { SENTENCES, fillIn, slotsOf, type SentenceKey } from './sentences';
export {
  barTold,
  differenceWords,
  disagreementWords,
  leftOutWords,
  placesTold,
  reasonTold,
  reasonsTold,
  tellOwner,
} from './toGroomers';
export {
  everyWordsIn,
  homeCareName,
  homeOften,
  listed,
  minuteWords,
  ofEach,
  placeWords,
  sentence,
  signAsOwnerReads,
  type Wording,
} from './wording';
