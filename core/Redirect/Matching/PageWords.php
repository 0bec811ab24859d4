<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect\Matching;

/** What a page says by its address, its name and heading, and by what it is inside of. */
final readonly class PageWords
{
    /**
     * @param  array<string, true>  $slug
     * @param  array<string, true>  $name
     * @param  array<string, true>  $heading
     * @param  array<string, true>  $above
     */
    public function __construct(public array $slug, public array $name, public array $heading, public array $above, public string $spelt)
    {
    }

    /** @return array<string, true> what the page itself says */
    public function own(): array
    {
        return $this->slug + $this->name + $this->heading;
    }

    /** How far a reading of a word is said by the page itself; what it is inside of says it less. */
    public function says(string $word): float
    {
        return match (true) {
            isset($this->slug[$word]), isset($this->name[$word]), isset($this->heading[$word]) => 1.0,
            isset($this->above[$word]) => 0.4,
            default => 0.0,
        };
    }
}
