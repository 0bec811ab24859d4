<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

use Heronstem\Core\Refusal;

/** Content that does not fit the document format; the field is the path to the place. */
final class InvalidDocument extends Refusal
{
}
