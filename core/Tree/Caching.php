<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

use Heronstem\Core\InputRefused;

/**
 * For how long whoever has a page may show it without asking whether it is still so (RFC 9111, 4.2): browsers, and caches on the way.
 * The web server of the site itself is told of every change, and asks nobody.
 */
final readonly class Caching
{
    public const OFF = 'off';

    public const STANDARD = 'standard';

    public const LONG = 'long';

    /** Seconds that long means. */
    public const LONG_SECONDS = 3600;

    /** Most seconds: a week. */
    public const MOST = 604_800;

    /** @param  int|null  $seconds  0 for asking each time; null for a page that nobody keeps, the web server of the site included */
    private function __construct(public ?int $seconds)
    {
    }

    public static function standard(): self
    {
        return new self(0);
    }

    /**
     * @param  mixed  $given  off, standard, long, or seconds from 1 to MOST
     *
     * @throws InputRefused naming `caching`
     */
    public static function read(mixed $given): self
    {
        return match (true) {
            $given === self::OFF => new self(null),
            $given === self::STANDARD => self::standard(),
            $given === self::LONG => new self(self::LONG_SECONDS),
            is_int($given) && $given >= 1 && $given <= self::MOST => new self($given),
            default => throw new InputRefused(
                'caching',
                sprintf('This is off, standard, long, or a whole number of seconds from 1 to %d.', self::MOST),
                self::STANDARD,
            ),
        };
    }

    /** What was accepted before, as it is kept; null for nothing said. */
    public static function stored(mixed $kept): ?self
    {
        return $kept === null ? null : self::read(is_string($kept) && ctype_digit($kept) ? (int) $kept : $kept);
    }

    /** As read() takes it. */
    public function toValue(): string|int
    {
        return match ($this->seconds) {
            null => self::OFF,
            0 => self::STANDARD,
            self::LONG_SECONDS => self::LONG,
            default => $this->seconds,
        };
    }
}
