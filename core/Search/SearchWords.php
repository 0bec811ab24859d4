<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

/** What somebody typed into the site's own search: nothing is refused, what is too long is cut. */
final readonly class SearchWords
{
    /** Characters that are read. */
    public const MAX_LENGTH = 100;

    /** Words that are looked for. */
    public const MAX_WORDS = 10;

    /**
     * @param  string  $text  as it was typed, whitespace folded, cut
     * @param  list<string>  $words  that pages should have, in small letters, each once; without those that begin with a hyphen
     */
    private function __construct(public string $text, public array $words)
    {
    }

    public static function of(string $typed): self
    {
        $valid = mb_scrub($typed, 'UTF-8');
        $normal = \Normalizer::normalize($valid, \Normalizer::FORM_C);
        $text = mb_substr(trim((string) preg_replace('/[\s\p{Cc}]+/u', ' ', is_string($normal) ? $normal : $valid)), 0, self::MAX_LENGTH);
        // A hyphen before a word or a phrase asks for pages without it.
        $wanted = (string) preg_replace('/(?<!\S)-(?:"[^"]*"?|\S+)/u', ' ', $text);

        return new self(trim($text), array_slice(array_values(array_unique(self::split($wanted))), 0, self::MAX_WORDS));
    }

    /** Whether there is nothing to look for. */
    public function isEmpty(): bool
    {
        return $this->words === [];
    }

    /** What the same search is known by, however it is typed: its words in their order. */
    public function key(): string
    {
        return implode(' ', $this->words);
    }

    /**
     * The same search with other words in the place of some.
     *
     * @param  array<array-key, string>  $instead  by word
     */
    public function with(array $instead): self
    {
        $text = (string) preg_replace_callback(
            '/[\p{L}\p{M}\p{N}]+/u',
            static fn (array $found): string => $instead[mb_strtolower($found[0])] ?? $found[0],
            $this->text,
        );

        return self::of($text);
    }

    /** @return list<string> words of a text in small letters, in order */
    public static function split(string $text): array
    {
        preg_match_all('/[\p{L}\p{M}\p{N}]+/u', mb_strtolower($text), $found);

        return $found[0];
    }
}
