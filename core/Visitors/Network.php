<?php

declare(strict_types=1);

namespace Heronstem\Core\Visitors;

use Heronstem\Core\InputRefused;

/** A range of addresses of computers, written as CIDR: RFC 4632 for IPv4, RFC 4291 section 2.3 for IPv6. */
final readonly class Network
{
    /** What stands before an IPv4 address that is carried in an IPv6 one: RFC 4291, 2.5.5.2. */
    private const CARRIED = "\0\0\0\0\0\0\0\0\0\0\xff\xff";

    /** @param  string  $first  the first address of the range: 4 or 16 bytes */
    private function __construct(private string $first, private int $bits)
    {
    }

    /**
     * @param  string  $typed  `192.0.2.0/24`, `2001:db8::/32`, or one address; bits behind the prefix count for nothing
     *
     * @throws InputRefused naming the field
     */
    public static function read(string $typed, string $field): self
    {
        $parts = explode('/', trim($typed));
        $bytes = self::bytes($parts[0]);
        if ($bytes === null || count($parts) > 2 || (isset($parts[1]) && preg_match('/^(?:0|[1-9]\d{0,2})$/D', $parts[1]) !== 1)) {
            throw new InputRefused($field, 'This is not a network. Write it like 192.0.2.0/24 or 2001:db8::/32, or one address alone.', '192.0.2.0/24');
        }
        // A prefix of a carried address counts from the beginning of what carries it.
        $isCarried = strlen($bytes) === 4 && str_contains($parts[0], ':');
        $most = $isCarried ? 128 : strlen($bytes) * 8;
        $bits = isset($parts[1]) ? (int) $parts[1] : $most;
        if ($bits > $most || ($isCarried && $bits < 96)) {
            throw new InputRefused($field, "The number behind the slash is at most $most for such an address.", "{$parts[0]}/$most");
        }
        $bits -= $isCarried ? 96 : 0;

        return new self(self::masked($bytes, $bits), $bits);
    }

    /** @param  string  $address  as the request came from it; what is no address is in no network */
    public function contains(string $address): bool
    {
        $bytes = self::bytes($address);

        return $bytes !== null && strlen($bytes) === strlen($this->first) && self::masked($bytes, $this->bits) === $this->first;
    }

    /** The one way of writing it: RFC 5952 for IPv6. */
    public function toText(): string
    {
        return inet_ntop($this->first)."/{$this->bits}";
    }

    private static function bytes(string $address): ?string
    {
        $valid = filter_var($address, FILTER_VALIDATE_IP);
        $bytes = $valid === false ? false : inet_pton($valid);
        if ($bytes === false) {
            return null;
        }

        return strlen($bytes) === 16 && str_starts_with($bytes, self::CARRIED) ? substr($bytes, 12) : $bytes;
    }

    private static function masked(string $bytes, int $bits): string
    {
        $whole = intdiv($bits, 8);
        $kept = substr($bytes, 0, $whole);
        if ($bits % 8 !== 0) {
            $kept .= chr(ord($bytes[$whole]) & (0xFF << (8 - ($bits % 8))) & 0xFF);
        }

        return str_pad($kept, strlen($bytes), "\0");
    }
}
