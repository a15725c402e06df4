export { letterFor, type VetLetter, type LetterInput, type DayOfFindings } from './letter';
