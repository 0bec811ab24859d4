<?php

declare(strict_types=1);

namespace Heronstem\Core\Address;

/**
 * A slug from a title: NFC; the site's language first, then ICU Any-Latin and Latin-ASCII; lower case;
 * every run of anything else one hyphen; cut at a word boundary.
 */
final class SlugMaker
{
    /** Longest slug made from a title, in characters. */
    public const MAX_LENGTH = 75;

    private readonly \Transliterator $latin;

    /** @var array<string, string> */
    private readonly array $letters;

    public function __construct(private readonly AddressRules $rules)
    {
        $this->latin = \Transliterator::create('Any-Latin; Latin-ASCII') ?? throw new \LogicException('ICU has no Latin-ASCII transliterator.');
        /** @var array<string, array<string, string>> $reference */
        $reference = require __DIR__.'/Reference/letters.php';
        $this->letters = $reference[strtolower((string) strtok($rules->language, '-_'))] ?? [];
    }

    /** Never empty: a title with nothing to keep gives `page`. */
    public function make(string $title): Slug
    {
        $text = (string) \Normalizer::normalize(mb_scrub($title, 'UTF-8'), \Normalizer::FORM_C);
        $words = $this->rules->nativeLetters ? $this->native($text) : $this->ascii($text);

        return Slug::of($this->cut(trim($words, '-')) ?: 'page');
    }

    private function ascii(string $text): string
    {
        $latin = strtolower((string) $this->latin->transliterate(strtr($text, $this->letters)));

        return (string) preg_replace('/[^a-z0-9]+/', '-', $latin);
    }

    private function native(string $text): string
    {
        $turkic = isset($this->letters['ı']) ? strtr($text, ['I' => 'ı', 'İ' => 'i']) : $text;
        $lower = (string) \Normalizer::normalize(mb_strtolower($turkic, 'UTF-8'), \Normalizer::FORM_C);

        return (string) preg_replace('/[^\p{L}\p{M}\p{N}]+/u', '-', $lower);
    }

    private function cut(string $slug): string
    {
        if (mb_strlen($slug) <= self::MAX_LENGTH) {
            return $slug;
        }
        $head = mb_substr($slug, 0, self::MAX_LENGTH);
        if (mb_substr($slug, self::MAX_LENGTH, 1) === '-') {
            return $head;
        }
        $end = mb_strrpos($head, '-');

        return $end === false ? $head : mb_substr($head, 0, $end);
    }
}
