<?php

declare(strict_types=1);

namespace Heronstem\Core\Address;

/** A page's own part of its address, as people read it: decoded, NFC. */
final readonly class Slug
{
    /** Longest slug, in characters. */
    public const MAX_LENGTH = 200;

    private function __construct(public string $text)
    {
    }

    /**
     * A slug somebody typed; percent-encoded UTF-8 is taken for the letters it stands for.
     *
     * @throws InvalidSlug for what a slug cannot hold, with one that would do
     */
    public static function of(string $typed): self
    {
        $typed = trim($typed);
        if ($typed === '') {
            throw new InvalidSlug('slug', 'A slug cannot be empty.', 'page');
        }
        $refuse = static fn (string $reason, string $way): InvalidSlug => new InvalidSlug('slug', $reason, $way);
        ForbiddenCharacters::refuse($typed, $refuse);
        $decoded = rawurldecode($typed);
        $text = mb_check_encoding($decoded, 'UTF-8') ? trim((string) \Normalizer::normalize($decoded, \Normalizer::FORM_C)) : $typed;
        ForbiddenCharacters::refuse($text, $refuse);
        if (str_contains($text, '/')) {
            throw new InvalidSlug('slug', 'A slug is one part of an address and holds no slash.', trim(str_replace('/', '-', $text), '-'));
        }
        if ($text === '' || $text === '.' || $text === '..') {
            throw new InvalidSlug('slug', 'Dots alone mean "here" or "one up" in an address.', 'page');
        }
        if (mb_strlen($text) > self::MAX_LENGTH) {
            throw new InvalidSlug(
                'slug',
                sprintf('A slug has at most %d characters; this one has %d.', self::MAX_LENGTH, mb_strlen($text)),
                mb_substr($text, 0, self::MAX_LENGTH),
            );
        }

        return new self($text);
    }

    /** A slug that was accepted before, as it is kept. */
    public static function stored(string $text): self
    {
        return new self($text);
    }

    /** As it stands in an address on the wire. */
    public function encoded(): string
    {
        return UrlPath::encode(str_replace('%', '%25', $this->text));
    }

    public function equals(self $other): bool
    {
        return $this->text === $other->text;
    }
}
