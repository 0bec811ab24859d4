<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

use Heronstem\Core\InputRefused;

/** How a page is shown besides its layout: its small picture in menus and on cards, how often browsers load it anew, and how long they keep it. */
final readonly class Showing
{
    use SharesBlank;

    /** Longest time between two loads, minutes. */
    public const MOST_MINUTES = 1440;

    /**
     * @param  string|null  $picture  identity of a file; null for none of its own
     * @param  int|null  $reload  minutes after which a browser loads the page anew; null for never
     * @param  Caching|null  $caching  null for what holds for the site
     */
    public function __construct(public ?string $picture = null, public ?int $reload = null, public ?Caching $caching = null)
    {
    }

    /**
     * @param  array<string, mixed>  $given  picture, reload and caching; those that are missing stay
     *
     * @throws InputRefused naming the field
     */
    public function changed(array $given): self
    {
        $reload = array_key_exists('reload', $given) ? $given['reload'] : $this->reload;
        if ($reload !== null && (! is_int($reload) || $reload < 1 || $reload > self::MOST_MINUTES)) {
            throw new InputRefused('reload', sprintf('This is a whole number of minutes from 1 to %d, or null for never.', self::MOST_MINUTES));
        }
        $picture = array_key_exists('picture', $given) ? $given['picture'] : $this->picture;
        if ($picture !== null && ! is_string($picture)) {
            throw new InputRefused('picture', 'This is the identity of a file, or null for none.');
        }

        $caching = array_key_exists('caching', $given) ? $given['caching'] : $this->caching?->toValue();

        return new self($picture, $reload, $caching === null ? null : Caching::read($caching));
    }

    /** @return string|null null where nothing is set */
    public function toText(): ?string
    {
        $said = array_filter(
            ['picture' => $this->picture, 'reload' => $this->reload, 'caching' => $this->caching?->toValue()],
            static fn (mixed $value): bool => $value !== null,
        );

        return $said === [] ? null : Stored::text($said);
    }

    /** @param  string|null  $text  as toText() gave it */
    public static function stored(?string $text): self
    {
        if (Stored::isBlank($text)) {
            return self::blank();
        }
        $kept = Stored::read($text);

        return new self(
            is_string($kept['picture'] ?? null) ? $kept['picture'] : null,
            is_int($kept['reload'] ?? null) ? $kept['reload'] : null,
            Caching::stored($kept['caching'] ?? null),
        );
    }
}
