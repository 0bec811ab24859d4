<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

/** A change in which something is typed that is kept nowhere as it was typed. */
interface HoldsSecret extends Change
{
    /**
     * @param  array<string, mixed>  $written  the change as one writes it
     * @param  non-empty-list<string>  $pages  to which it is made
     * @return array<string, mixed> as it is kept, and read again with the same outcome
     */
    public static function sealed(array $written, array $pages): array;
}
