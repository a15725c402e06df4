import { ruleOf } from '../rules';
import { isKnownSign, signWords } from '../findings';
import { CHOICES, EAR_HAIR_REASONS, type InstructionSays, type Reason } from '../reasons';
import { TASKS } from '../tasks';
import { everyWords, showDay } from '../units';
import { HOUSE_QUESTIONS, SERVICES } from '../ways';
import { sentence, signAsOwnerReads, type Wording } from './wording';

/** Who reads it. Paper is an owner's, too: nothing on it can be tapped. */
export type Audience = 'groomer' | 'owner' | 'vet' | 'paper';

/**
 * A reason in words, within a sentence; null where this reader is not told: a habit of the business is no reason for an
 * owner. What somebody typed is shown as it is, in whatever language. Groomers read English.
 */
export function say(reason: Reason, wording: Wording, audience: Audience): string | null {
  if (reason.kind === 'typed' || reason.kind === 'newer') return reason.words;
  return audience === 'groomer' ? toGroomer(reason) : toOthers(reason, wording, audience);
}

/** Several reasons in one line, each once; null where none of them is for this reader. */
export function sayAll(reasons: readonly Reason[], wording: Wording, audience: Audience): string | null {
  const said = reasons.map((reason) => say(reason, wording, audience)).filter((each) => each !== null);
  return said.length === 0 ? null : [...new Set(said)].join('; ');
}

/** A sign of a newer version was sent here: it bars its place all the same. */
export const OLDER_THAN_THE_RECORD = 'this device is older than the record: update';

type Worded = Exclude<Reason, { kind: 'typed' | 'newer' }>;

function toGroomer(reason: Worded): string {
  switch (reason.kind) {
    case 'signs': {
      const names = reason.seen.map(({ sign }) => signWords(sign).name);
      const isNewer = reason.seen.some(({ sign }) => !isKnownSign(sign));
      const signs = [...new Set([...names, ...(isNewer ? [OLDER_THAN_THE_RECORD] : [])])].join('; ');
      return reason.since === null ? signs : `${signs}, ${showDay(reason.since)}, no word from a vet yet`;
    }
    case 'condition':
      return reason.condition;
    case 'rule':
      return ruleInEnglish(reason.rule);
    case 'instruction':
      return `${instructionInEnglish(reason.says, reason.until === null ? '' : ` until ${showDay(reason.until)}`)}: ${reason.who}`;
    case 'consent':
      return 'no owner’s consent';
    case 'service':
      return `${SERVICES[reason.service].name}: ${serviceMeans(reason.service, reason.does)} here`;
    case 'school':
      return schoolOf(reason.question, reason.school);
    case 'ear hair':
      return EAR_HAIR_REASONS[reason.line].replace('{days}', String(reason.days ?? ''));
    case 'between visits':
      return `due every ${reason.everyDays} days, full visits every ${reason.visits}`;
    case 'choice':
      return lower(CHOICES[reason.choice]);
  }
}

const lower = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);

/** What forbids it where the rule does; else why the rule says what it says. */
function ruleInEnglish(id: string): string {
  const rule = ruleOf(id);
  if (!rule) return id;
  const then = typeof rule.then === 'function' ? [] : rule.then;
  const bar = then.find((each) => each.kind === 'bar');
  return bar ? bar.words.replace(/\.$/, '') : rule.because;
}

function instructionInEnglish(says: InstructionSays, until: string): string {
  switch (says.kind) {
    case 'not done':
      return `${TASKS[says.task].name}: not done${until}`;
    case 'nothing else on the skin':
      return 'Nothing else on the skin';
    case 'avoid':
      return `Nothing with ${says.what} in it`;
    case 'ear hair':
      return `Ear hair: ${says.way}${until}`;
    case 'every':
      return `${TASKS[says.task].name} every ${says.days} days`;
    case 'at home':
      return `${TASKS[says.task].name} at home ${everyWords(1 / says.timesADay)}`;
  }
}

const serviceMeans = (service: keyof typeof SERVICES, does: string): string =>
  (SERVICES[service].means as Readonly<Record<string, string>>)[does] ?? does;

function schoolOf(question: keyof typeof HOUSE_QUESTIONS, school: string): string {
  const schools: readonly { readonly id: string; readonly words: string }[] = HOUSE_QUESTIONS[question].schools;
  return schools.find(({ id }) => id === school)?.words ?? school;
}

function toOthers(reason: Worded, wording: Wording, audience: Exclude<Audience, 'groomer'>): string | null {
  switch (reason.kind) {
    case 'signs': {
      const names = reason.seen.map(({ sign }) =>
        audience === 'vet' ? (wording.tradeSigns[sign] ?? sign) : signAsOwnerReads(wording, sign),
      );
      const signs = [...new Set(names)].join('; ');
      return reason.since === null
        ? signs
        : sentence(wording, 'reasonSince', { signs, day: showDay(reason.since, wording.language) });
    }
    case 'condition':
      return wording.conditions[reason.condition];
    case 'rule':
      return wording.rules[reason.rule] ?? null;
    case 'instruction':
      return instructionTold(reason, wording);
    case 'consent':
      return wording.sentences.reasonNoConsent;
    case 'service':
      return wording.services[`${reason.service} ${reason.does}`] ?? null;
    case 'ear hair':
      return wording.earHair[reason.line];
    case 'choice':
      return wording.choices[reason.choice];
    case 'school':
    case 'between visits':
      return null;
  }
}

function instructionTold(
  { says, who, until }: Extract<Reason, { kind: 'instruction' }>,
  wording: Wording,
): string | null {
  switch (says.kind) {
    case 'nothing else on the skin':
      return sentence(wording, 'reasonNothingElse', { who });
    case 'avoid':
      return sentence(wording, 'reasonAvoid', { who, what: says.what });
    case 'not done':
    case 'ear hair':
      return until === null
        ? sentence(wording, 'reasonNotDone', { who })
        : sentence(wording, 'reasonNotDoneUntil', { who, day: showDay(until, wording.language) });
    case 'every':
    case 'at home':
      return null;
  }
}
