export { ALL_BATH_STEPS, BATH_STEPS, type BathStep } from './bathAtHome';
export { ALL_AT_HOME_LINES, AT_HOME_LINES, HOME_CARDS, type AtHomeLine, type HomeCard } from './atHome';
export { DRAWINGS, cardFor, type CardWays, type Drawing, type MethodCard, type MethodSource } from './card';
export { METHOD_CARDS, findMethod, methodOf } from './cards';
export { methodOfStep } from './stages';
