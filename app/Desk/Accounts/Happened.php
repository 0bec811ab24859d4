<?php

declare(strict_types=1);

namespace App\Desk\Accounts;

/** What the security log tells of. */
enum Happened: string
{
    case SignedIn = 'signed-in';
    case Refused = 'refused';
    case SignedOut = 'signed-out';
    case Confirmed = 'confirmed';
    case RecoveryCodeUsed = 'recovery-code-used';
    case SecondStepOn = 'second-step-on';
    case SecondStepOff = 'second-step-off';
    case PasswordChanged = 'password-changed';
    case MailChanged = 'mail-changed';
    case SessionsEnded = 'sessions-ended';
    case TokenMade = 'token-made';
    case TokenEnded = 'token-ended';
    case Disabled = 'disabled';
    case Enabled = 'enabled';
    case RightsChanged = 'rights-changed';
    case SiteMade = 'site-made';
    case SiteRemoved = 'site-removed';
    case SiteBack = 'site-back';
    case VisitorMade = 'visitor-made';
    case VisitorChanged = 'visitor-changed';
    case VisitorRemoved = 'visitor-removed';
}
