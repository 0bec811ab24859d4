<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect\Matching;

/** An address of an old site, with what is known of the page that was there. */
final readonly class OldPage
{
    /**
     * @param  string  $address  as it is written: a path, or a whole address
     * @param  list<string>  $also  further addresses of the page, e.g. the canonical one, and those of it in other languages
     * @param  int  $requests  that somebody counted; 0 where nobody did
     */
    public function __construct(
        public string $address,
        public string $title = '',
        public string $heading = '',
        public array $also = [],
        public int $requests = 0,
    ) {
    }

    public function path(): string
    {
        return self::pathOf($this->address);
    }

    /** @return list<string> paths of the further addresses */
    public function furtherPaths(): array
    {
        return array_map(self::pathOf(...), $this->also);
    }

    /** Values of its query, which name pages on some sites. */
    public function query(): string
    {
        return (string) preg_replace('/[?&]?[^=&?]*=/', ' ', (string) strpbrk($this->address, '?') ?: '');
    }

    /** @return list<string> what it is called: by its title, its heading, and the last parts of its further addresses */
    public function called(): array
    {
        $lastParts = array_map(static fn (string $path): string => basename($path), $this->furtherPaths());

        return array_values(array_filter([$this->title, $this->heading, ...$lastParts], static fn (string $text): bool => trim($text) !== ''));
    }

    /** Whether it is the way into the old site, or into it in one language, whatever it is called. */
    public function isHome(): bool
    {
        return trim($this->query()) === '' &&
            preg_match('#^/?(?:[a-z]{2}/?)?(?:(?:index|default|home|main|start|welcome)(?:\.[a-z]{2,5}\d?)?)?/?$#i', $this->path()) === 1;
    }

    private static function pathOf(string $address): string
    {
        $path = (string) preg_replace('#^https?://[^/]*#i', '', $address);

        return substr($path, 0, strcspn($path, '?#'));
    }
}
