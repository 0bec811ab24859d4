<?php

declare(strict_types=1);

namespace Heronstem\Core\Address;

/**
 * Where a whole site is reached: scheme, host and port, as every address of it begins (RFC 6454). Hosts by UTS 46; the usual port is left out.
 */
final readonly class Origin
{
    private function __construct(public string $scheme, public Host $host)
    {
    }

    /** @throws InvalidAddress naming the field, when it is no http(s) origin, or more than one */
    public static function read(string $typed, string $field = 'origin'): self
    {
        $refuse = static fn (string $reason, string $way): InvalidAddress => new InvalidAddress($field, $reason, $way);
        $typed = trim($typed);
        if (preg_match('#^(https?)://([^/?\#\s\\\\]*)([^\s]*)$#iD', $typed, $parts) !== 1) {
            throw $refuse('The address of a site begins with https:// or http:// and has a host.', 'https://www.skerrivane.example');
        }
        [, $scheme, $authority, $rest] = $parts;
        $scheme = strtolower($scheme);
        if (str_contains($authority, '@')) {
            throw $refuse('The address of a site holds no name and no password.', "$scheme://".substr((string) strrchr($authority, '@'), 1));
        }
        if ($rest !== '' && $rest !== '/') {
            throw $refuse('A site has a host of its own: leave out what stands behind it.', "$scheme://$authority");
        }
        try {
            $host = Host::of($authority);
        } catch (InvalidAddress $invalid) {
            throw $refuse($invalid->reason, 'https://www.skerrivane.example');
        }
        $usual = ['http' => 80, 'https' => 443][$scheme];

        return new self($scheme, $host->port === $usual ? Host::of($host->ascii) : $host);
    }

    public function toText(): string
    {
        return "{$this->scheme}://{$this->host->authority()}";
    }

    /** Whether both are answered at one place: by http and by https a host is the same site. */
    public function isAnsweredWith(self $other): bool
    {
        return $this->host->authority() === $other->host->authority();
    }
}
