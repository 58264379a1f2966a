export { SignIn } from './SignIn';
