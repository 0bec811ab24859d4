<?php

declare(strict_types=1);

namespace Heronstem\Core\Audit;

/** Something about a block that its writer may want to mend. */
final readonly class ContentNote
{
    /**
     * @param  string  $code  which of the checks
     * @param  list<int>  $path  to the block: its place among the blocks, then among those inside, and so on
     */
    public function __construct(public string $code, public array $path, public string $text)
    {
    }
}
