<?php

declare(strict_types=1);

namespace Launch;

/** Something that a person has to know and that stops the command. */
final class Failed extends \RuntimeException
{
}
