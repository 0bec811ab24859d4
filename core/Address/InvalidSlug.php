<?php

declare(strict_types=1);

namespace Heronstem\Core\Address;

use Heronstem\Core\Refusal;

final class InvalidSlug extends Refusal
{
}
