import { z } from 'zod';
import { daySchema, id } from './basics';
import { changed, made } from './plainAnswers';
import { mixingView, mixStep, newMix } from './mixing';
import { touched, traceQuery, traceStarts, traceView } from './trace';
import { bottleEdit, calibration, newBottle, newProduct, newPump, productEdit, pumpEdit, shelving } from './products';
import { costsQuery, costsView, ledgerView, lotEdit, newStockEntry, stockEntryMade, stockView } from './stock';

/** Calls of the mixing bench: products and tools, mixes, stock, trace. */
export const MIXING_ENDPOINTS = {
  'POST /api/products': { says: 'Add a product', body: newProduct, response: made },
  'PUT /api/products/:id': { says: 'Change a product', body: productEdit, response: changed },
  'PUT /api/products/:id/shelf': { says: 'Archive a product, or bring it back', body: shelving, response: changed },
  'GET /api/products/:id/ledger': { says: 'Stock entries and lots of a product', response: ledgerView },
  'POST /api/pumps': { says: 'Add a pump', body: newPump, response: made },
  'PUT /api/pumps/:id': { says: 'Change a pump', body: pumpEdit, response: changed },
  'PUT /api/pumps/:id/calibration': {
    says: 'Calibrate a pump by ten strokes; no strokes: it is no longer calibrated',
    body: calibration,
    response: changed,
  },
  'PUT /api/pumps/:id/shelf': { says: 'Archive a pump', body: shelving, response: changed },
  'POST /api/bottles': { says: 'Add a kind of bottle', body: newBottle, response: made },
  'PUT /api/bottles/:id': { says: 'Change a kind of bottle', body: bottleEdit, response: changed },
  'PUT /api/bottles/:id/shelf': { says: 'Put a kind of bottle away', body: shelving, response: changed },
  'GET /api/mixing': {
    says: "The day's mixes: what to make up, what stands, what is used as it is",
    query: z.object({ day: daySchema.optional() }),
    response: mixingView,
  },
  'POST /api/mixes': { says: 'A mix was made up', body: newMix, response: z.object({ id, no: z.int() }) },
  'PUT /api/mixes/:id': { says: 'Water added, used up, poured away, or taken back', body: mixStep, response: changed },
  'POST /api/stock': {
    says: 'Enter a delivery, count, waste or correction',
    body: newStockEntry,
    response: stockEntryMade,
  },
  'GET /api/stock': { says: 'Stock, run-out and last day to order of every product', response: stockView },
  'PUT /api/lots/:id': { says: 'Open a lot, empty it, correct its number or expiry', body: lotEdit, response: changed },
  'GET /api/costs': {
    says: 'Cost of product by visit, dog, product and month, and what was thrown away',
    query: costsQuery,
    response: costsView,
  },
  'GET /api/trace': {
    says: 'Dogs that had something from a lot, mix or bottle',
    query: traceQuery,
    response: traceView,
  },
  'GET /api/trace/starts': { says: 'Lots, mixes and bottles a trace can start from', response: traceStarts },
  'GET /api/dogs/:id/touched': {
    says: 'What touched a dog: products, mixes, lots',
    response: z.object({ items: z.array(touched) }),
  },
} as const;
