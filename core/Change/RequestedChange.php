<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;

/**
 * A change that people ask for. Its class has the name of its kind (`put-in-bin` is PutInBin), which is how it is found:
 * a new kind is one new class here.
 */
interface RequestedChange extends Change
{
    /** What one has to say to ask for it. Its types have been looked at before read() is called. */
    public static function shape(): Shape;

    /** @throws InputRefused naming the field that cannot be read */
    public static function read(ChangeInput $input): self;
}
