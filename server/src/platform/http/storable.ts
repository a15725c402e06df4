import type { RequestHandler } from 'express';
import { badField } from './problem';

/** Deeper than anything a person, or a form, makes. */
const DEEPEST = 60;

/** What keeps a value from being stored, and where; null: nothing. */
export interface Unstorable {
  readonly path: string;
  readonly why: string;
}

/**
 * PostgreSQL takes no NUL and no half of a surrogate pair, and nothing should be nested without end. Looked for without
 * recursion, so that the depth itself does no harm.
 */
export function unstorable(value: unknown): Unstorable | null {
  const open: { readonly value: unknown; readonly path: string; readonly depth: number }[] = [
    { value, path: '', depth: 0 },
  ];
  for (let each = open.pop(); each; each = open.pop()) {
    const { path, depth } = each;
    if (typeof each.value === 'string') {
      if (isBroken(each.value)) return { path, why: 'There is a sign in it that cannot be kept.' };
    } else if (typeof each.value === 'object' && each.value !== null) {
      if (depth >= DEEPEST) return { path: path.slice(0, 200), why: 'That is nested too deep.' };
      for (const [key, inner] of Object.entries(each.value)) {
        if (isBroken(key)) return { path, why: 'There is a sign in it that cannot be kept.' };
        open.push({ value: inner, path: path === '' ? key : `${path}.${key}`, depth: depth + 1 });
      }
    }
  }
  return null;
}

const isBroken = (text: string): boolean => text.includes('\u0000') || !isWellFormed(text);

/** No half of a surrogate pair. */
const isWellFormed = (text: string): boolean =>
  !/[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/.test(text);

/** Events are judged each alone: one that cannot be stored holds up no other (decision 0018). */
const JUDGED_APART = /^\/api\/visits\/[^/]+\/events$/;

/** Refuses, at its field, what no table could hold, before anything looks at it. */
export const assertStorable: RequestHandler = (request, _response, next) => {
  const path = request.baseUrl + request.path;
  const found =
    unstorable(request.query) ??
    unstorable(safePath(path)) ??
    (JUDGED_APART.test(path) ? null : unstorable(request.body));
  if (found) throw badField(found.path, found.why);
  next();
};

function safePath(path: string): string {
  try {
    return decodeURIComponent(path);
  } catch {
    return '\u0000';
  }
}
