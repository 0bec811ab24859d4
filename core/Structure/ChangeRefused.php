<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure;

use Heronstem\Core\Refusal;

/** A change that the structure does not allow. */
class ChangeRefused extends Refusal
{
}
