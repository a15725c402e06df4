export * from './appointments';
export * from './basics';
export * from './dogs';
export * from './endpoints';
export * from './house';
export { openApiDocument } from './openapi';
export * from './visits';
