<?php

declare(strict_types=1);

namespace Heronstem\Core\Access;

/** A batch would do something that is not within the rights of whoever asks for it. The message says what, and of what. */
final class BeyondRights extends \DomainException
{
}
