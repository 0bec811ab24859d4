<?php

declare(strict_types=1);

namespace Tests\Core\Memory;

use Heronstem\Core\Change\Change;
use Heronstem\Core\Refusal;

/** For tests of what a site does not take. */
trait RefusesChanges
{
    private MemorySite $site;

    /** @param  string  $field  the whole of it, e.g. `changes.0.place` */
    private function refused(string $field, string $reason, Change ...$changes): void
    {
        try {
            $this->site->plan(...$changes);
        } catch (Refusal $refusal) {
            self::assertSame($field, $refusal->field);
            self::assertStringContainsString($reason, $refusal->reason);

            return;
        }
        self::fail('It was taken: '.json_encode(array_map(static fn (Change $change): array => $change->toArray(), $changes)));
    }
}
