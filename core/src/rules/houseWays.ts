import { HOUSE_VALUE } from '../provenance';
import { all, always, hairInEar, trait, way } from './conditions';
import { ALL_HOUSE_QUESTIONS, HOUSE_QUESTIONS, type HouseQuestion } from '../ways';
import type { RuleCondition, Rule } from './rule';
import type { Task } from '../tasks';
import { caution, days, method, rowsOf } from './row';

/** Which house question says how a task is done. */
const METHOD_OF: Readonly<Partial<Record<HouseQuestion, Task>>> = {
  earOrder: 'ear cleaning',
  earCleaning: 'ear cleaning',
  nozzle: 'ear cleaning',
  massage: 'ear cleaning',
  afterMassage: 'ear cleaning',
  earsWhen: 'ear cleaning',
  earsAtHome: 'ear inspection',
  alcohol: 'ear cleaning',
  pluckWith: 'ear hair',
  washes: 'second wash',
  head: 'bath',
  conditioner: 'conditioner',
  faceProduct: 'face wash',
  eyeCrust: 'eyes and face',
  eyeCorner: 'eye corners',
  foldWipe: 'fold care',
  foldProtect: 'fold care',
  nails: 'nails',
  brushOut: 'brush-out',
  comb: 'brush-out',
  teeth: 'teeth',
};

/** Schools that matter to some dogs only. */
const ONLY_FOR: Readonly<Partial<Record<HouseQuestion, RuleCondition>>> = {
  pluckWith: hairInEar('sparse', 'dense'),
  eyeCorner: trait('coat', 'long', 'curly', 'silky drop', 'wire'),
};

/** Each school of a method question is a rule of rank "house". */
export const HOUSE_RULES: readonly Rule[] = [
  ...ALL_HOUSE_QUESTIONS.flatMap((question) => {
    const task = METHOD_OF[question];
    if (!task) return [];
    const schools: readonly { id: string; words: string; for: string; warns?: string }[] =
      HOUSE_QUESTIONS[question].schools;
    return schools.map((school) => ({
      question,
      ...rowsOf(task, 'house', HOUSE_VALUE)(
        `${question}, ${school.id}`,
        all(ONLY_FOR[question] ?? always, way(question, school.id as never)),
        school.for,
        method(school.words),
        ...(school.warns ? [caution(school.warns)] : []),
      ),
    }));
  }),
  {
    question: 'conditioner',
    ...rowsOf('conditioner', 'house', HOUSE_VALUE)(
      'own interval',
      way('conditioner', 'own interval'),
      'the business conditions now and then, not every bath',
      days(56, 28, 84),
    ),
  },
  {
    question: 'teeth',
    ...rowsOf('teeth', 'house', HOUSE_VALUE)(
      'at visits',
      way('teeth', 'brush', 'gel'),
      'the business does teeth at visits',
      days(28, 7, 56),
    ),
  },
];
