<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Server;

/** A parameter of a query in every spelling that means the same (application/x-www-form-urlencoded, WHATWG URL 5), as a regular expression. */
final readonly class SpeltParameter
{
    /** @param  string  $expression  without groups that catch */
    private function __construct(public string $expression)
    {
    }

    /** A parameter of this name, whatever its value. */
    public static function named(string $name): self
    {
        return new self(self::spelt($name).'(?:=[^&]*)?');
    }

    /** A parameter with this value; one without a value is like one with an empty value. */
    public static function pair(string $name, string $value): self
    {
        return new self(self::spelt($name).($value === '' ? '=?' : '='.self::spelt($value, '=')));
    }

    /**
     * Each byte as it is or encoded; a space also as a plus.
     *
     * @param  string  $plainly  signs that may stand as they are although they part names from values
     */
    private static function spelt(string $text, string $plainly = ''): string
    {
        $out = '';
        foreach (str_split($text) as $byte) {
            $hex = '%(?i:'.sprintf('%02x', ord($byte)).')';
            $plain = match (true) {
                $byte === ' ' => '\+',
                // A percent sign that begins no encoded byte stands for itself.
                $byte === '%' => '%(?![0-9A-Fa-f]{2})',
                str_contains($plainly, $byte) => preg_quote($byte),
                ord($byte) <= 0x20, ord($byte) === 0x7F, str_contains('&#+=', $byte) => '',
                default => preg_quote($byte),
            };
            $out .= $plain === '' ? $hex : "(?:$plain|$hex)";
        }

        return $out;
    }
}
