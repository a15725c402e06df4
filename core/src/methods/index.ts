export { DRAWINGS, type Drawing, type MethodCard } from './card';
export { METHOD_CARDS, findMethod, methodOf } from './cards';
export { methodOfStep } from './stages';
