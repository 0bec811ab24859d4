<?php

declare(strict_types=1);

namespace App\Desk;

use Heronstem\Core\Access\BeyondRights;
use Heronstem\Core\Access\Preparing;
use Heronstem\Core\Ripple\Ripple;
use Heronstem\Core\Workspace\Authority;

/** How far somebody's word reaches on a site. */
final readonly class Rights
{
    private function __construct(public Authority $authority, private ?Preparing $preparing)
    {
    }

    /** Everything that the rules of the structure let this authority do. */
    public static function of(Authority $authority): self
    {
        return new self($authority, null);
    }

    public static function toPrepare(Preparing $preparing): self
    {
        return new self(Authority::Manager, $preparing);
    }

    /** Whether some effects are not theirs, so that what would follow has to be looked at. */
    public function areNarrow(): bool
    {
        return $this->preparing !== null;
    }

    /** @throws BeyondRights when something of what a batch would do is not theirs to do */
    public function guard(Ripple $ripple): void
    {
        $this->preparing?->guard($ripple);
    }
}
