<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

/** A change that is applied by itself: what else a batch says is read with what it would change. */
interface StandsAlone
{
}
