<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

/** Who looks at the site: a visitor, or somebody signed in there with roles. */
final readonly class Viewer
{
    /** @param  list<string>  $roles */
    private function __construct(public bool $isSignedIn, public array $roles, public bool $isAnybody = false)
    {
    }

    public static function visitor(): self
    {
        return new self(false, []);
    }

    public static function signedIn(string ...$roles): self
    {
        sort($roles);

        return new self(true, $roles);
    }

    /** Sees whatever anybody sees: for what holds whoever looks. */
    public static function anybody(): self
    {
        return new self(true, [], true);
    }

    /** The same for all who see the same. */
    public function key(): string
    {
        return $this->isAnybody ? 'anybody' : ($this->isSignedIn ? 'in:'.implode(',', $this->roles) : 'out');
    }
}
