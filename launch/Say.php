<?php

declare(strict_types=1);

namespace Launch;

/** What the command says: results on standard output, progress and errors beside it. */
final class Say
{
    public static function line(string $text): void
    {
        fwrite(STDOUT, $text."\n");
    }

    public static function step(string $text): void
    {
        fwrite(STDERR, "· $text\n");
    }

    public static function error(string $text): void
    {
        fwrite(STDERR, "$text\n");
    }
}
