export * from './tenancy';
export * from './house';
export * from './book';
export * from './visits';
export * from './bench';
export * from './telling';
export * from './audit';
