export { letterFor, type Letter, type LetterInput, type Look } from './letter';
