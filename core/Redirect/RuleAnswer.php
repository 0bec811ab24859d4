<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

/** What a rule answers with: a status of RFC 9110 (15.4, 15.5.11), or a page that waits before it goes on. */
enum RuleAnswer: string
{
    case MovedPermanently = '301';
    case Found = '302';
    case TemporaryRedirect = '307';
    case PermanentRedirect = '308';
    case Gone = '410';
    /** A page with a message and a real link, served with 200 and not indexed, that goes on after some seconds. */
    case Pause = 'pause';

    public function sendsOn(): bool
    {
        return $this !== self::Gone && $this !== self::Pause;
    }

    /** The HTTP status of the answer itself. */
    public function status(): int
    {
        return $this === self::Pause ? 200 : (int) $this->value;
    }
}
