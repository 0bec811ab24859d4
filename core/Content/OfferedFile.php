<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

/** A file as the site serves it. */
final readonly class OfferedFile
{
    /** @param  int  $bytes  its size */
    public function __construct(public string $address, public string $name, public string $mime, public int $bytes)
    {
    }

    /** What people call its kind: the ending of its name in capitals. */
    public function kind(): string
    {
        $ending = pathinfo($this->name, PATHINFO_EXTENSION);

        return $ending === '' ? $this->mime : strtoupper($ending);
    }

    /** Its size in the largest unit of which there is one (1 kB = 1,000 bytes, as IEC 80000-13 has it). */
    public function size(): string
    {
        return match (true) {
            $this->bytes >= 1_000_000 => rtrim(rtrim(number_format($this->bytes / 1_000_000, 1), '0'), '.').' MB',
            $this->bytes >= 1_000 => round($this->bytes / 1_000).' kB',
            default => $this->bytes.' bytes',
        };
    }
}
