export * from './tenancy';
export * from './business';
export * from './book';
export * from './visits';
export * from './projections';
export * from './mixing';
export * from './owners';
export * from './audit';
