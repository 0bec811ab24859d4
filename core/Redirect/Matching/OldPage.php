<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect\Matching;

/** An address of an old site, with what is known of the page that was there. */
final readonly class OldPage
{
    public function __construct(public string $address, public string $title = '')
    {
    }

    public function path(): string
    {
        $path = (string) preg_replace('#^https?://[^/]*#i', '', $this->address);

        return substr($path, 0, strcspn($path, '?#'));
    }

    /** Values of its query, which name pages on some sites. */
    public function query(): string
    {
        return (string) preg_replace('/[?&]?[^=&?]*=/', ' ', (string) strpbrk($this->address, '?') ?: '');
    }

    /** Whether it is the way into the old site, or into it in one language, with nothing else said. */
    public function isHome(): bool
    {
        return trim("{$this->query()}$this->title") === '' &&
            preg_match('#^/?(?:[a-z]{2}/?)?(?:(?:index|default|home|main|start|welcome)(?:\.[a-z]{2,5}\d?)?)?/?$#i', $this->path()) === 1;
    }
}
