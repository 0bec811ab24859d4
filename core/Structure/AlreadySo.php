<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure;

/** A page is already as the change would make it. Of several pages such ones are passed over. */
final class AlreadySo extends ChangeRefused
{
}
