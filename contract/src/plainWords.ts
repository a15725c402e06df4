import { z } from 'zod';

type Issue = Parameters<NonNullable<ReturnType<typeof z.config>['customError']>>[0];

/** What a schema says where it has no words of its own: read by people, at a field. */
function plainWords(issue: Issue): string | undefined {
  switch (issue.code) {
    case 'invalid_type':
      return wanted(issue.expected);
    case 'too_small':
      if (issue.origin === 'string') return 'Something is missing.';
      return issue.origin === 'array'
        ? `At least ${issue.minimum} of them.`
        : `${issue.inclusive ? 'At least' : 'More than'} ${issue.minimum}.`;
    case 'too_big':
      if (issue.origin === 'string') return `Longer than ${issue.maximum} characters.`;
      return issue.origin === 'array'
        ? `At most ${issue.maximum} of them.`
        : `${issue.inclusive ? 'At most' : 'Less than'} ${issue.maximum}.`;
    case 'invalid_value':
      return 'Not one of the choices.';
    default:
      return undefined;
  }
}

function wanted(expected: string): string | undefined {
  if (expected === 'number') return 'Give a number.';
  if (expected === 'int') return 'Give a whole number.';
  return undefined;
}

z.config({ customError: plainWords });
