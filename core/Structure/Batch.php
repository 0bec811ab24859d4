<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure;

use Heronstem\Core\Structure\Change\TakeBack;

/** Changes that belong together, in order, on one site: planned, shown and applied as one. */
final readonly class Batch
{
    /** Most changes in one batch. */
    public const LONGEST = 10000;

    /**
     * @param  non-empty-list<Change>  $changes
     * @param  list<Decision>  $decisions
     */
    public function __construct(public array $changes, public array $decisions = [])
    {
    }

    public static function of(Change ...$changes): self
    {
        if ($changes === []) {
            throw new ChangeRefused('changes', 'There is nothing to change in this batch.');
        }

        return new self(array_values($changes));
    }

    /** The entry this batch takes back, if that is what it does. */
    public function takesBack(): ?TakeBack
    {
        $first = $this->changes[0];

        return $first instanceof TakeBack ? $first : null;
    }

    public function redirectMayGiveWay(string $key): bool
    {
        foreach ($this->decisions as $decision) {
            if ($decision->replaceRedirectAt->key === $key) {
                return true;
            }
        }

        return false;
    }
}
