<?php

declare(strict_types=1);

namespace Heronstem\Core;

/** A change that the structure does not allow. */
class InputRefused extends Refusal
{
}
