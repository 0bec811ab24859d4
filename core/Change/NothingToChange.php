<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;

/** A page is already as the change would make it. Of several pages such ones are passed over. */
final class NothingToChange extends InputRefused
{
}
