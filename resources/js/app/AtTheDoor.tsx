/* What asks who is there once more. */
export { ConfirmIt } from './ConfirmIt'
export { SignedOut } from './SignedOut'
