<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Content\Replace\Found;

/** A place that was found, in its context. */
final readonly class FoundPlace
{
    /** Signs shown before and after. */
    private const CONTEXT = 60;

    /** Bytes in which so many signs are found, whatever the script and the spaces between. */
    private const LOOKED_AT = 400;

    /**
     * @param  string  $key  names it among all that are found, while nothing changes
     * @param  string  $where  e.g. `summary`, `content`, `fields.fares.0.name`, `label`
     * @param  bool  $isLive  in what visitors get, where something else waits to be published
     */
    private function __construct(
        public string $key,
        public string $where,
        public bool $isLive,
        public string $before,
        public string $is,
        public string $becomes,
        public string $after,
        public bool $isTaken,
    ) {
    }

    public static function of(string $key, string $where, bool $isLive, string $text, Found $found, bool $isTaken): self
    {
        // No more of the text is looked at than is shown.
        $from = max(0, $found->start - self::LOOKED_AT);
        $before = (string) preg_replace('/\s+/u', ' ', mb_strcut($text, $from, $found->start - $from));
        $after = (string) preg_replace('/\s+/u', ' ', mb_strcut($text, $found->end(), self::LOOKED_AT));

        return new self(
            $key,
            $where,
            $isLive,
            mb_strlen($before) > self::CONTEXT ? '…'.preg_replace('/^\S*\s/u', '', mb_substr($before, -self::CONTEXT)) : $before,
            $found->is,
            $found->becomes,
            mb_strlen($after) > self::CONTEXT ? preg_replace('/\s\S*$/u', '', mb_substr($after, 0, self::CONTEXT)).'…' : $after,
            $isTaken,
        );
    }
}
