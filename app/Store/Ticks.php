<?php

declare(strict_types=1);

namespace App\Store;

/** What writes much says how far it is, to whoever wants to know. */
final class Ticks
{
    /** @var (\Closure(int): void)|null */
    private ?\Closure $listener = null;

    /** @param  (\Closure(int): void)|null  $listener  is told how many rows were written since it was told last */
    public function tell(?\Closure $listener): void
    {
        $this->listener = $listener;
    }

    public function written(int $rows): void
    {
        if ($this->listener !== null) {
            ($this->listener)($rows);
        }
    }
}
