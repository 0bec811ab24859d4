<?php

declare(strict_types=1);

namespace App\Desk;

use App\Store\SearchResults;
use Heronstem\Core\Search\SearchWords;

/** What the site's own search shows for some words. */
final readonly class FoundPages
{
    /** Pages have all the words. */
    public const FOUND = 'found';

    /** They have words that are spelt alike. */
    public const NEAR = 'near';

    /** They have some of the words. */
    public const SOME = 'some';

    public const NOTHING = 'nothing';

    /**
     * @param  int  $total  pages found, counted up to SearchResults::MAX_COUNTED, of which one piece is shown
     * @param  list<array{name: string, address: string, description: list<array{text: string, isMarked: bool}>, says: list<array{text: string, isMarked: bool}>}>  $pages
     * @param  int  $piece  from 1
     * @param  array{name: string|null, address: string|null, text: string}|null  $answer  set by a manager
     * @param  string  $meant  what was looked for instead
     */
    public function __construct(
        public SearchWords $words,
        public string $outcome,
        public int $total,
        public array $pages,
        public int $piece,
        public ?array $answer = null,
        public string $meant = '',
    ) {
    }

    /** @param  array{name: string|null, address: string|null, text: string}|null  $answer */
    public static function nothing(SearchWords $words, ?array $answer = null): self
    {
        return new self($words, self::NOTHING, 0, [], 1, $answer);
    }

    /** "12 pages have", as a sentence goes on. */
    public function counted(): string
    {
        return match (true) {
            $this->total === 1 => '1 page has',
            $this->total >= SearchResults::MAX_COUNTED => 'More than '.(SearchResults::MAX_COUNTED - 1).' pages have',
            default => "{$this->total} pages have",
        };
    }

    public function pieces(): int
    {
        return min(SearchSite::MAX_PIECES, max(1, (int) ceil($this->total / SearchSite::PIECE)));
    }
}
