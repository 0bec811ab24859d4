<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

/** One `allow` or `disallow` line of a robots.txt (RFC 9309, section 2.2.2). */
final readonly class RobotsRule
{
    private string $pattern;

    /**
     * @param  string  $path  as it stands in the line; `*` for anything, `$` at its end for the end of the address
     * @param  int  $line  number of the line, from 1
     */
    public function __construct(public bool $allows, public string $path, public int $line)
    {
        $this->pattern = self::spelt($path);
    }

    public function toLine(): string
    {
        return ($this->allows ? 'Allow: ' : 'Disallow: ').$this->path;
    }

    /** Octets of the path, by which the most specific rule is found (section 2.2.2). */
    public function length(): int
    {
        return strlen($this->pattern);
    }

    /**
     * Whether it says anything about an address; a line without a path says nothing. Cost: product of both lengths at worst.
     *
     * @param  string  $address  path and query, as it is asked for
     */
    public function matches(string $address): bool
    {
        if ($this->pattern === '') {
            return false;
        }
        $isWhole = str_ends_with($this->pattern, '$');
        $pieces = explode('*', $isWhole ? substr($this->pattern, 0, -1) : $this->pattern);
        $address = self::spelt($address);
        $last = count($pieces) - 1;
        if (! str_starts_with($address, $pieces[0])) {
            return false;
        }
        $at = strlen($pieces[0]);
        // Taking each piece as early as it comes leaves most room for those behind it.
        for ($n = 1; $n <= $last; $n++) {
            if ($isWhole && $n === $last) {
                return strlen($address) - strlen($pieces[$n]) >= $at && str_ends_with($address, $pieces[$n]);
            }
            $found = $pieces[$n] === '' ? $at : strpos($address, $pieces[$n], $at);
            if ($found === false) {
                return false;
            }
            $at = $found + strlen($pieces[$n]);
        }

        return ! $isWhole || $at === strlen($address);
    }

    /** In one spelling: unreserved octets as they are, all others outside ASCII percent-encoded, hex digits upper case (section 2.2.2). */
    private static function spelt(string $path): string
    {
        $decoded = (string) preg_replace_callback(
            '/%([0-9A-Fa-f]{2})/',
            static function (array $found): string {
                $octet = chr((int) hexdec($found[1]));

                return preg_match('/[A-Za-z0-9._~-]/', $octet) === 1 ? $octet : '%'.strtoupper($found[1]);
            },
            $path,
        );

        return (string) preg_replace_callback('/[\x00-\x20\x7F-\xFF]/', static fn (array $found): string => sprintf('%%%02X', ord($found[0])), $decoded);
    }
}
