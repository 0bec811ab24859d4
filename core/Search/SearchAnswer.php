<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

use Heronstem\Core\InputRefused;
use Heronstem\Core\OneLine;

/** What stands first when visitors search for certain words: a page, a sentence, or both. */
final readonly class SearchAnswer
{
    /** Characters of a sentence. */
    public const MAX_TEXT = 300;

    private function __construct(public ?string $page, public string $text)
    {
    }

    /**
     * @param  string|null  $page  identity
     *
     * @throws InputRefused when it says nothing, or too much
     */
    public static function of(?string $page, string $text): self
    {
        $folded = OneLine::of($text);
        if ($page === null && $folded === '') {
            throw new InputRefused('text', 'Choose a page, write an answer, or both.');
        }
        if (mb_strlen($folded) > self::MAX_TEXT) {
            throw new InputRefused('text', sprintf('An answer has at most %d characters; this one has %d.', self::MAX_TEXT, mb_strlen($folded)));
        }

        return new self($page, $folded);
    }

    /** @return array{page?: string, text?: string} */
    public function toArray(): array
    {
        return [...$this->page === null ? [] : ['page' => $this->page], ...$this->text === '' ? [] : ['text' => $this->text]];
    }

    /** @param  array<mixed>  $kept  as toArray() gave it */
    public static function fromArray(array $kept): self
    {
        $page = $kept['page'] ?? null;

        return new self(is_string($page) ? $page : null, is_string($kept['text'] ?? null) ? $kept['text'] : '');
    }
}
