import type { Schemas } from '../api/client'

/** What the security log tells of, in words. */
export const happened: Record<Schemas['LogLine']['kind'], string> = {
    'signed-in': 'Signed in',
    refused: 'Refused',
    'signed-out': 'Signed out',
    confirmed: 'Typed the password again',
    'recovery-code-used': 'Used a code that was written down',
    'second-step-on': 'Second step switched on',
    'second-step-off': 'Second step switched off',
    'password-changed': 'Password changed',
    'site-made': 'Site made',
    'site-removed': 'Site removed',
    'site-back': 'Site brought back',
    'mail-changed': 'Mail address changed',
    'sessions-ended': 'Sessions ended',
    'token-made': 'Token made',
    'token-ended': 'Token ended',
    disabled: 'Disabled',
    enabled: 'Enabled',
    'rights-changed': 'Rights or access changed',
    'visitor-made': 'Visitor added',
    'visitor-changed': 'Visitor changed',
    'visitor-removed': 'Visitor removed',
}
