<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

use Heronstem\Core\Identity;
use Heronstem\Core\InputRefused;
use Heronstem\Core\OneLine;

/** What pages tell search engines where they say nothing themselves: set for a branch, a layout or the site. Null says nothing. */
final readonly class SearchDefaults
{
    use SharesBlank;

    /** Longest pattern, in characters. */
    public const MAX_PATTERN = 300;

    /** Fields that hold true or false. */
    private const FLAGS = ['index', 'follow', 'inSitemap', 'inSiteSearch'];

    /**
     * @param  string|null  $titlePattern  with names in braces, as Search\TextPattern reads it
     * @param  int|null  $priority  in tenths, 0 to 10
     * @param  string|null  $socialPicture  identity of a file
     * @param  bool|null  $inSiteSearch  whether the site's own search may show the page
     */
    public function __construct(
        public ?string $titlePattern = null,
        public ?string $descriptionPattern = null,
        public ?bool $index = null,
        public ?bool $follow = null,
        public ?bool $inSitemap = null,
        public ?int $priority = null,
        public ?ChangeFrequency $changeFrequency = null,
        public ?string $socialPicture = null,
        public ?bool $inSiteSearch = null,
    ) {
    }

    /**
     * @param  array<string, mixed>  $given  by the names of the fields; what is not given stays, null takes away
     *
     * @throws InputRefused naming the field
     */
    public function changed(array $given): self
    {
        $fields = get_object_vars($this);
        foreach (array_intersect_key($given, $fields) as $field => $value) {
            $fields[$field] = match (true) {
                $value === null, $value === '' => null,
                in_array($field, self::FLAGS, true) => is_bool($value)
                    ? $value
                    : throw new InputRefused($field, 'This is true, false, or null to inherit.'),
                $field === 'priority' => self::tenths($value),
                $field === 'changeFrequency' => self::frequency($value),
                $field === 'socialPicture' => Identity::names($value)
                    ? $value
                    : throw new InputRefused($field, 'A picture is named by the identity of its file, 26 letters and digits.'),
                default => self::pattern($field, $value),
            };
        }

        return new self(...$fields);
    }

    /** @return array<string, string|int|bool> what is said, as it is stored */
    public function toArray(): array
    {
        return array_filter(
            [...get_object_vars($this), 'changeFrequency' => $this->changeFrequency?->value],
            static fn (mixed $value): bool => $value !== null,
        );
    }

    /** @param  array<mixed>  $kept  as toArray() gave it */
    public static function fromArray(array $kept): self
    {
        $text = static fn (string $field): ?string => is_string($kept[$field] ?? null) ? $kept[$field] : null;
        $flag = static fn (string $field): ?bool => is_bool($kept[$field] ?? null) ? $kept[$field] : null;

        return new self(
            $text('titlePattern'),
            $text('descriptionPattern'),
            $flag('index'),
            $flag('follow'),
            $flag('inSitemap'),
            is_int($kept['priority'] ?? null) ? $kept['priority'] : null,
            ChangeFrequency::tryFrom($text('changeFrequency') ?? ''),
            $text('socialPicture'),
            $flag('inSiteSearch'),
        );
    }

    /** As one text; null where nothing is said. */
    public function toText(): ?string
    {
        $said = $this->toArray();

        return $said === [] ? null : Stored::text($said);
    }

    /** Whether it says nothing at all, and so leaves everything to what is above. */
    public function isSilent(): bool
    {
        foreach (get_object_vars($this) as $value) {
            if ($value !== null) {
                return false;
            }
        }

        return true;
    }

    public static function stored(?string $text): self
    {
        if (Stored::isBlank($text)) {
            return self::blank();
        }

        return self::fromArray(Stored::read($text));
    }

    private static function tenths(mixed $value): int
    {
        if ((! is_int($value) && ! is_float($value)) || $value < 0 || $value > 1) {
            throw new InputRefused('priority', 'The priority is a number from 0.0 to 1.0.', '0.5');
        }

        return (int) round($value * 10);
    }

    private static function frequency(mixed $value): ChangeFrequency
    {
        $choices = implode(', ', array_column(ChangeFrequency::cases(), 'value'));

        return (is_string($value) ? ChangeFrequency::tryFrom($value) : null) ??
            throw new InputRefused('changeFrequency', "This is one of $choices, or null to inherit.");
    }

    private static function pattern(string $field, mixed $value): ?string
    {
        $folded = is_string($value) ? OneLine::of($value) : throw new InputRefused($field, 'A pattern is a text.');
        if (mb_strlen($folded) > self::MAX_PATTERN) {
            throw new InputRefused($field, sprintf('A pattern has at most %d characters; this one has %d.', self::MAX_PATTERN, mb_strlen($folded)));
        }

        return $folded === '' ? null : $folded;
    }
}
