export { passed, toPass } from './passing';
