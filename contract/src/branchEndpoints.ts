import { z } from 'zod';
import { belonging, branchEdit, branchOpening, branchesView, newBranch, stockMove } from './branches';
import { changed, made } from './plainAnswers';

const done = z.object({});

/** Salons and vans of a business, and what belongs to which. */
export const BRANCH_ENDPOINTS = {
  'GET /api/branches': { says: 'Salons and vans, and what belongs to which', response: branchesView },
  'POST /api/branches': { says: 'Add a salon or a van', body: newBranch, response: made },
  'PUT /api/branches/:id': { says: 'Change a salon or a van', body: branchEdit, response: changed },
  'PUT /api/branches/:id/open': {
    says: 'Close a salon or a van, or open it again',
    body: branchOpening,
    response: changed,
  },
  'PUT /api/dogs/:id/branch': { says: 'Say at which branch a dog is cared for', body: belonging, response: done },
  'PUT /api/members/:id/branch': { says: 'Say at which branch a person works', body: belonging, response: done },
  'POST /api/stock/moves': { says: 'Take some of a product to another branch', body: stockMove, response: done },
} as const;
